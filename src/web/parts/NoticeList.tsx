import * as Toast from '@radix-ui/react-toast';
import { t } from '../../words.ts';
import { closeNotice, type Notice } from '../state/notices.ts';

/** What could not be done, in a corner of the page: read out, and there until it is closed. */
export function NoticeList({ notices }: { notices: readonly Notice[] }) {
  return (
    <Toast.Provider label={t`Notice`} duration={Number.POSITIVE_INFINITY}>
      {notices.map(({ id, text }) => (
        <Toast.Root
          key={id}
          type="foreground"
          className="border-error bg-base-100 flex items-start gap-3 border-l-4 p-3 shadow-lg"
          onOpenChange={(open) => !open && closeNotice(id)}
        >
          <Toast.Description className="grow font-semibold">{text}</Toast.Description>
          <Toast.Close className="btn btn-sm">{t`Close`}</Toast.Close>
        </Toast.Root>
      ))}
      <Toast.Viewport className="no-print fixed inset-x-3 bottom-20 z-40 space-y-2 outline-none md:right-4 md:bottom-4 md:left-auto md:w-96" />
    </Toast.Provider>
  );
}
