import { useSyncExternalStore } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { ScaleView } from '../../contract/index.ts';
import { gramsInLine, type ScaleReading } from '../../core/mix/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';

/** The part of the browser’s serial ports that a scale needs. */
interface SerialPort {
  open: (options: { baudRate: number }) => Promise<void>;
  close: () => Promise<void>;
  readable: ReadableStream<Uint8Array<ArrayBuffer>> | null;
}
interface Serial {
  requestPort: () => Promise<SerialPort>;
}

export interface ScaleState {
  /** Where readings come from: nowhere, a serial port, a scale on the network, or the simulated scale. */
  source: 'none' | 'serial' | 'network' | 'simulated';
  /** The last readings, oldest first. */
  readings: readonly ScaleReading[];
  problem: string | null;
}

const NONE: ScaleState = { source: 'none', readings: [], problem: null };
/** Readings kept: enough to see whether it has settled. */
const KEPT = 40;
/** A line longer than this is no reading. */
const LONGEST_LINE = 200;

let state = NONE;
let end = () => {};
const listeners = new Set<() => void>();
const put = (next: Partial<ScaleState>) => {
  state = { ...state, ...next };
  for (const each of listeners) each();
};

const serialOf = (): Serial | undefined => (navigator as { serial?: Serial }).serial;
/** Whether the browser lets a page read a serial port: on a computer, over a secure connection. */
export const canConnect = (): boolean => serialOf() !== undefined;

/** The scale that is connected to this device, for all that show it. */
export const useScale = (): ScaleState =>
  useSyncExternalStore(
    (changed) => {
      listeners.add(changed);
      return () => listeners.delete(changed);
    },
    () => state,
  );

/** Where readings come from now. */
export const scaleSource = (): ScaleState['source'] => state.source;

export function weighed(grams: number): void {
  put({ readings: [...state.readings.slice(1 - KEPT), { atMs: Date.now(), grams }] });
}

/** Reads lines until the port is closed. */
async function readLines(
  readable: ReadableStream<Uint8Array<ArrayBuffer>>,
  signal: AbortSignal,
): Promise<void> {
  const reader = readable.pipeThrough(new TextDecoderStream()).getReader();
  signal.addEventListener('abort', () => void reader.cancel().catch(() => {}));
  let rest = '';
  for (;;) {
    const { value, done } = await reader.read();
    if (done) return;
    const lines = (rest + value).split(/[\r\n]+/);
    rest = (lines.pop() ?? '').slice(-LONGEST_LINE);
    for (const line of lines) {
      const grams = gramsInLine(line);
      if (grams !== null) weighed(grams);
    }
  }
}

/** Lets the user choose a serial port and reads the scale on it. */
export async function connectScale(baudRate: number): Promise<void> {
  disconnectScale();
  try {
    const port = await serialOf()?.requestPort();
    if (!port) return;
    await port.open({ baudRate });
    const stop = new AbortController();
    end = () => stop.abort();
    put({ source: 'serial', readings: [], problem: null });
    if (port.readable) await readLines(port.readable, stop.signal);
    await port.close().catch(() => {});
    if (!stop.signal.aborted) throw new Error('closed');
  } catch (error) {
    // No port chosen is no fault.
    const isNone = error instanceof DOMException && error.name === 'NotFoundError';
    put({
      ...NONE,
      problem: isNone
        ? null
        : t`The scale isn’t connected any more. Connect it again, or enter the amounts by hand.`,
    });
  }
}

const ID_KEY = 'jack-plane.scale';

/** The id under which a scale on the network sends to this device; the same one every time. */
function scaleId(): string {
  const id = localStorage.getItem(ID_KEY) ?? uuidv7();
  localStorage.setItem(ID_KEY, id);
  return id;
}

/** Where a scale sends its lines to. */
export const scaleAddress = (): string => `${window.location.origin}/api/v1/scales/${scaleId()}`;

/** How often a scale on the network is looked at, ms. */
const LOOK_MS = 400;

/** A scale that has sent nothing for this long may have stopped: its last reading is no longer what is on it, ms. */
const SILENT_MS = 5000;

/** Reads what a scale sends to the server. Readings are as old as the server’s clock says: the device’s own may differ. */
export function listenToNetworkScale(): void {
  disconnectScale();
  let isOn = true;
  let lastAt = '';
  end = () => {
    isOn = false;
  };
  put({ source: 'network', readings: [], problem: null });
  const take = async () => {
    try {
      const { now, readings } = await api<ScaleView>('GET', `/scales/${scaleId()}`);
      if (!isOn) return;
      const aged = readings.map(({ at, grams }) => ({ at, grams, ageMs: Date.parse(now) - Date.parse(at) }));
      const fresh = aged.filter(({ ageMs }) => ageMs < SILENT_MS);
      const more = fresh.filter(({ at }) => at > lastAt);
      lastAt = readings.at(-1)?.at ?? lastAt;
      const seen = more.map(({ ageMs, grams }) => ({ atMs: Date.now() - ageMs, grams }));
      const kept = fresh.length === 0 ? [] : [...state.readings, ...seen].slice(-KEPT);
      put({ readings: kept, problem: null });
    } catch {
      const problem = t`The server can’t be reached, so the scale isn’t read. Enter the amounts by hand.`;
      if (isOn) put({ readings: [], problem });
    }
  };
  const look = async () => {
    // Without an open bench the scale is not read, and the last reading is out of date when one is opened.
    if (listeners.size > 0) await take();
    else if (state.readings.length > 0) put({ readings: [] });
    if (isOn) setTimeout(() => void look(), LOOK_MS);
  };
  void look();
}

export function simulateScale(): void {
  disconnectScale();
  put({ source: 'simulated', readings: [], problem: null });
  weighed(0);
}

export function disconnectScale(): void {
  end();
  end = () => {};
  put(NONE);
}
