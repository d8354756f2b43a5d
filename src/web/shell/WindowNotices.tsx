import { useEffect, useRef, useState } from 'react';
import { t } from '../../words.ts';
import { useBoard, useYard } from '../api/queries.ts';
import { useMinute } from '../clock/now.ts';
import { sayTime } from '../clock/say.ts';
import { wallOf } from '../clock/wallClock.ts';
import { chime, showNotification } from '../state/chime.ts';
import { notify } from '../state/notices.ts';
import { dueNotices, isQuiet, keptNoticeSettings, NOTICES_CHANGED } from '../state/windowNotices.ts';
import { taskOf } from '../words/clocks.ts';

/** Speaks up before a window opens or closes, where this device was asked to: on the page, and as the browser's own notice. */
export function WindowNotices() {
  const [settings, setSettings] = useState(keptNoticeSettings);
  const notified = useRef(new Set<string>());
  const { data: board } = useBoard();
  const { data: yard } = useYard();
  const now = useMinute();
  useEffect(() => {
    const follow = () => setSettings(keptNoticeSettings());
    window.addEventListener(NOTICES_CHANGED, follow);
    return () => window.removeEventListener(NOTICES_CHANGED, follow);
  }, []);
  useEffect(() => {
    if (!settings.on || !board || !yard) return;
    if (isQuiet(wallOf(now, yard.zone).hour, settings)) return;
    const due = dueNotices(board.clocks, now, settings.beforeMin).filter(
      ({ key }) => !notified.current.has(key),
    );
    for (const { key, says, at, clock } of due) {
      notified.current.add(key);
      const text = `${clock.areaName}, ${clock.boatName}: ${says} ${sayTime(at, yard.zone, now)}. ${taskOf(clock, now)}.`;
      notify(text);
      showNotification(t`Window ${says}`, text, key);
    }
    if (due.length > 0 && settings.sound) chime();
  }, [settings, board, yard, now]);
  return null;
}
