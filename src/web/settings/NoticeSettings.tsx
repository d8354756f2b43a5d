import { useState } from 'react';
import { t } from '../../words.ts';
import { NumberField } from '../forms/NumberField.tsx';
import {
  keepNoticeSettings,
  keptNoticeSettings,
  type NoticeSettings as Settings,
} from '../state/windowNotices.ts';

/** Whether this device speaks up before a window opens or closes, how, and when it keeps quiet. */
export function NoticeSettings() {
  const [settings, setSettings] = useState(keptNoticeSettings);
  const [refused, setRefused] = useState(false);
  const keep = (some: Partial<Settings>) => {
    const next = { ...settings, ...some };
    keepNoticeSettings(next);
    setSettings(next);
  };
  const turn = async (on: boolean) => {
    keep({ on });
    if (!on || !('Notification' in window) || Notification.permission === 'granted') return;
    setRefused((await Notification.requestPermission()) !== 'granted');
  };
  const hour = (value: number) => Math.min(23, Math.max(0, Math.round(value)));
  return (
    <section aria-labelledby="notices" className="space-y-3">
      <h2 id="notices" className="batten pb-1 text-lg">{t`Notifications on this device`}</h2>
      <label className="flex items-start gap-3">
        <input
          type="checkbox"
          className="checkbox mt-0.5"
          checked={settings.on}
          onChange={(event) => void turn(event.target.checked)}
        />
        <span>
          {t`Notify me before a window opens or closes `}
          <span className="block text-sm">{t`Works while Jack Plane is open in any tab.`}</span>
        </span>
      </label>
      {refused && (
        <p role="status">{t`The browser blocks notifications for this page, so they appear only inside Jack Plane. Allow notifications in the browser settings to change this.`}</p>
      )}
      {settings.on && (
        <>
          <label className="flex items-start gap-3">
            <input
              type="checkbox"
              className="checkbox mt-0.5"
              checked={settings.sound}
              onChange={(event) => keep({ sound: event.target.checked })}
            />
            <span>{t`Play a sound`}</span>
          </label>
          <div className="grid grid-cols-1 gap-3 sm:grid-cols-3">
            <NumberField
              label={t`How long before`}
              unit="min"
              value={settings.beforeMin}
              onChange={(minutes) => keep({ beforeMin: Math.min(720, Math.max(5, Math.round(minutes))) })}
            />
            <NumberField
              label={t`Quiet from`}
              unit="o’clock"
              value={settings.quietFrom}
              onChange={(value) => keep({ quietFrom: hour(value) })}
            />
            <NumberField
              label={t`Quiet until`}
              unit="o’clock"
              value={settings.quietTo}
              onChange={(value) => keep({ quietTo: hour(value) })}
            />
          </div>
        </>
      )}
    </section>
  );
}
