import { lazy, Suspense } from 'react';
import { useNotices } from '../state/notices.ts';

const NoticeList = lazy(async () => ({ default: (await import('./NoticeList.tsx')).NoticeList }));

/** What could not be done, once there is anything to tell. */
export function Notices() {
  const notices = useNotices();
  if (notices.length === 0) return null;
  return (
    <Suspense fallback={null}>
      <NoticeList notices={notices} />
    </Suspense>
  );
}
