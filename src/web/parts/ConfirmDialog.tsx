import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { t } from '../../words.ts';
import type { Question } from './question.ts';

/** The question itself; fetched when one is first asked. */
export function ConfirmDialog({ asked, onAnswer }: { asked: Question; onAnswer: (sure: boolean) => void }) {
  return (
    <Dialog
      open
      role="alertdialog"
      className="fixed inset-0 z-50 flex items-end justify-center bg-black/50 p-4 sm:items-center"
      onClose={() => onAnswer(false)}
    >
      <DialogPanel className="board bg-base-100 w-full max-w-md space-y-4 p-5">
        <DialogTitle className="text-lg font-semibold">{asked.title}</DialogTitle>
        {asked.text && <p>{asked.text}</p>}
        <div className="flex flex-wrap justify-end gap-2">
          <button type="button" className="btn target" onClick={() => onAnswer(true)}>
            {asked.action}
          </button>
          <button
            type="button"
            className="btn btn-primary target"
            data-autofocus
            onClick={() => onAnswer(false)}
          >
            {asked.back ?? t`Cancel`}
          </button>
        </div>
      </DialogPanel>
    </Dialog>
  );
}
