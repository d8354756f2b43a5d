import { Link } from 'react-router';

const ROOMS = [
  {
    to: '/rules',
    name: 'Rules',
    what: 'What goes over what: every coating over every other, with its reason.',
  },
  {
    to: '/tools',
    name: 'Tools',
    what: 'Readings of tape, salt patch and old paint worked out; blasting by the day; washes by the tank.',
  },
  { to: '/glossary', name: 'Glossary', what: 'Every word of the trade on these screens, a sentence each.' },
] as const;

/** What can be looked up: rules, tools, words. */
export function ReferencePage() {
  return (
    <div className="max-w-prose space-y-5 p-3 md:p-6">
      <h1 className="text-2xl">Reference</h1>
      <ul className="space-y-4">
        {ROOMS.map(({ to, name, what }) => (
          <li key={to}>
            <Link className="link text-lg font-semibold" to={to}>
              {name}
            </Link>
            <p>{what}</p>
          </li>
        ))}
      </ul>
    </div>
  );
}
