import { useEffect, useState } from 'react';
import { useLocation } from 'react-router';
import { t } from '../../words.ts';
import { SearchField } from '../parts/SearchField.tsx';
import { GLOSSARY, termId } from '../words/glossary.ts';

/** Every word of the trade that the screens use, with its sentence. */
export function GlossaryPage() {
  const [typed, setTyped] = useState('');
  const { hash } = useLocation();
  const wanted = typed.trim().toLowerCase();
  const terms = GLOSSARY.filter(({ word, meaning }) => `${word} ${meaning}`.toLowerCase().includes(wanted));
  useEffect(() => {
    // The terms are on the screen only once this place is.
    document.getElementById(hash.slice(1))?.scrollIntoView({ block: 'center' });
  }, [hash]);
  return (
    <div className="max-w-prose space-y-5 p-3 md:p-6">
      <h1 className="text-2xl">{t`Glossary`}</h1>
      <SearchField label={t`Search terms`} value={typed} onChange={setTyped} />
      {terms.length === 0 ? (
        <p role="status">{t`No results for “${typed.trim()}”`}</p>
      ) : (
        <dl className="space-y-3">
          {terms.map(({ word, meaning }) => (
            <div
              key={word}
              id={termId(word)}
              className={hash.slice(1) === termId(word) ? 'border-primary border-l-4 pl-3' : undefined}
            >
              <dt className="font-semibold">{word}</dt>
              <dd>{meaning}</dd>
            </div>
          ))}
        </dl>
      )}
    </div>
  );
}
