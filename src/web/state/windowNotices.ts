import type { AreaClock } from '../../contract/index.ts';

/** When this device speaks up about windows. */
export interface NoticeSettings {
  on: boolean;
  sound: boolean;
  /** Minutes before a window opens or closes. */
  beforeMin: number;
  /** Hours of the day in which it keeps quiet, from and to; alike: never. */
  quietFrom: number;
  quietTo: number;
}

export const USUAL_NOTICES: NoticeSettings = {
  on: false,
  sound: false,
  beforeMin: 30,
  quietFrom: 21,
  quietTo: 7,
};

const KEY = 'jack-plane.notices';

export function keptNoticeSettings(): NoticeSettings {
  try {
    return {
      ...USUAL_NOTICES,
      ...(JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<NoticeSettings>),
    };
  } catch {
    // The saved settings can’t be read: use the defaults.
    return USUAL_NOTICES;
  }
}

/** Told to whoever listens on this page. */
export const NOTICES_CHANGED = 'jack-plane:notices';

export function keepNoticeSettings(settings: NoticeSettings): void {
  localStorage.setItem(KEY, JSON.stringify(settings));
  window.dispatchEvent(new Event(NOTICES_CHANGED));
}

/** Whether an hour of the day is one of the quiet ones; the stretch may run over midnight. */
export function isQuiet(
  hour: number,
  { quietFrom, quietTo }: Pick<NoticeSettings, 'quietFrom' | 'quietTo'>,
): boolean {
  if (quietFrom === quietTo) return false;
  return quietFrom < quietTo ? hour >= quietFrom && hour < quietTo : hour >= quietFrom || hour < quietTo;
}

/** Something about to happen, to be told once. */
export interface DueNotice {
  key: string;
  areaId: string;
  says: 'opens' | 'closes';
  at: number;
  clock: AreaClock;
}

/** Windows that open or close within the time asked for, each under a key of its own moment. */
export function dueNotices(clocks: readonly AreaClock[], now: number, beforeMin: number): DueNotice[] {
  return clocks.flatMap((clock): DueNotice[] => {
    if (clock.until === null) return [];
    const at = Date.parse(clock.until);
    const left = at - now;
    if (left <= 0 || left > beforeMin * 60_000) return [];
    const opens = clock.state === 'too-soon';
    const closes = clock.state === 'open' || clock.state === 'thumb' || clock.primeBy !== null;
    if (!opens && !closes) return [];
    const says = opens ? 'opens' : 'closes';
    // A forecast that moves it by minutes is no other notice.
    return [
      { key: `${clock.areaId} ${says} ${Math.round(at / 3_600_000)}`, areaId: clock.areaId, says, at, clock },
    ];
  });
}
