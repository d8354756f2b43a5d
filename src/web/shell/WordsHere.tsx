import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { Link } from 'react-router';
import { t } from '../../words.ts';
import { termId, termsIn } from '../words/glossary.ts';

/** The glossary's words that stand on the page in sight, each with its sentence: one tap from where they are used. */
export function WordsHere({ onClose }: { onClose: () => void }) {
  const text = document.getElementById('main')?.textContent ?? '';
  const labels = [...document.querySelectorAll('#main [aria-label]')].map((each) =>
    each.getAttribute('aria-label'),
  );
  const terms = termsIn([text, ...labels].join(' '));
  return (
    <Dialog
      open
      className="fixed inset-0 z-50 flex items-end justify-center bg-black/50 p-4 sm:items-center"
      onClose={onClose}
    >
      <DialogPanel className="board bg-base-100 flex max-h-[85dvh] w-full max-w-lg flex-col gap-4 p-5">
        <DialogTitle className="text-lg font-semibold">{t`Glossary terms on this page`}</DialogTitle>
        {terms.length === 0 ? (
          <p>{t`No glossary terms on this page.`}</p>
        ) : (
          <dl className="space-y-3 overflow-y-auto" data-autofocus tabIndex={-1}>
            {terms.map(({ word, meaning }) => (
              <div key={word}>
                <dt className="font-semibold">
                  <Link className="link" to={`/glossary#${termId(word)}`} onClick={onClose}>
                    {word}
                  </Link>
                </dt>
                <dd>{meaning}</dd>
              </div>
            ))}
          </dl>
        )}
        <div className="flex justify-end gap-2">
          <Link className="btn target" to="/glossary" onClick={onClose}>{t`Open full glossary`}</Link>
          <button type="button" className="btn btn-primary target" onClick={onClose}>{t`Close`}</button>
        </div>
      </DialogPanel>
    </Dialog>
  );
}
