import { Link } from 'react-router';
import { t } from '../../words.ts';

const ROOMS = [
  {
    to: '/rules',
    name: t`What goes over what`,
    what: t`Which coating can go over which, with the reasons.`,
  },
  {
    to: '/tools',
    name: t`Tools`,
    what: t`Calculators for replica tape, salt patch, old paint, blasting and wash dilution.`,
  },
  { to: '/glossary', name: t`Glossary`, what: t`Trade terms used in this app, explained.` },
] as const;

/** What can be looked up: rules, tools, words. */
export function ReferencePage() {
  return (
    <div className="max-w-prose space-y-5 p-3 md:p-6">
      <h1 className="text-2xl">{t`Reference`}</h1>
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
