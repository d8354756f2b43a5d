import { Suspense } from 'react';
import { useNotices } from '../state/notices.ts';
import { lazyPart } from './lazyPart.tsx';

const NoticeList = lazyPart(async () => (await import('./NoticeList.tsx')).NoticeList);

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
