import { describe, expect, it } from 'vitest';
import { readWeatherCsv } from './weatherCsv.ts';

const read = (csv: string) => readWeatherCsv(csv, 'Europe/London');

describe('weather files', () => {
  it('finds its columns by header, in any order and unit', () => {
    const { readings: hours } = read('RH %;Wind kn;Temp °F;Time\n60;10;68;2026-05-14 06:00\n');
    // 06:00 British Summer Time is 05:00 UTC.
    expect(hours).toHaveLength(1);
    expect(hours[0]?.at).toBe(Date.parse('2026-05-14T05:00:00Z'));
    expect(hours[0]?.airC).toBeCloseTo(20);
    expect(hours[0]?.windMs).toBeCloseTo(5.14, 2);
    expect(hours[0]?.rh).toBe(0.6);
  });

  it('reports bad rows by line and keeps the good ones', () => {
    const csv =
      'time,air,rh\n2026-05-14T06:00Z,8,80\nyesterday,9,80\n2026-05-14T08:00Z,ten,80\n\n2026-05-14T09:00Z,11,130\n';
    const { readings: hours, badRows } = read(csv);
    expect(hours).toHaveLength(1);
    expect(badRows).toEqual([
      { line: 3, message: 'Time “yesterday” isn’t a valid date and time, for example 2026-05-14 06:00' },
      { line: 4, message: 'air temperature “ten” isn’t a number' },
      { line: 6, message: 'relative humidity must be between 1 and 100 %, but is 130' },
    ]);
  });

  it('keeps every row at its own minute, counts the hours they are of, and of one minute given twice the later', () => {
    const csv =
      'time,air,rh,rain\n2026-05-14T06:00Z,8,80,0.2\n2026-05-14T06:30Z,9,90,0.4\n2026-05-14T06:30Z,10,90,0.4\n';
    const { readings, hours } = read(csv);
    expect([readings.map(({ airC }) => airC), hours]).toEqual([[8, 10], 1]);
  });
  it('a header may say on which side of its timestamp rain fell', () => {
    const of = (header: string) => read(`time,air,rh,${header}\n2026-05-14T06:00Z,8,80,1\n`).rainInterval;
    expect(['rain mm', 'rain mm (hour before)', 'rain mm after the time'].map(of)).toEqual([
      null,
      'before',
      'after',
    ]);
  });
  it('a table of days is not taken for hours', () => {
    const days = [14, 15, 16, 17].map((day) => `2026-05-${day}T12:00Z,18,60`).join('\n');
    expect(() => read(`time,air,rh\n${days}`)).toThrow(
      'The rows are 24 h apart, so nights are missing. Cure times need a row at least every 6 h',
    );
  });

  it('says which column is missing, and when nothing can be read', () => {
    expect(() => read('time,rh\n2026-05-14,80')).toThrow(
      'No column for air temperature found in the header “time, rh”',
    );
    expect(() => read('time,air,rh\nx,y,z')).toThrow(
      'No rows could be read. Line 2: Time “x” isn’t a valid date and time, for example 2026-05-14 06:00',
    );
  });
});

describe('columns named by hand', () => {
  const foreign = 'Uhr;T_out;hum;v;T_hull\n2026-05-14 06:00;46,4;0.82;10;8\n2026-05-14 07:00;50;0.80;10;9\n';
  const mapping = {
    time: { index: 0 },
    air: { index: 1, unit: '°F' },
    rh: { index: 2, unit: 'fraction' },
    wind: { index: 3, unit: 'kn' },
    surface: { index: 4, unit: '°C' },
  };
  it('headers in words of their own are read in the units named', () => {
    expect(() => read(foreign)).toThrow(
      /No column for time found in the header “Uhr, T_out, hum, v, T_hull”/,
    );
    const [first] = readWeatherCsv(foreign, 'Europe/London', mapping).readings;
    expect(first).toMatchObject({ rh: 0.82, surfaceC: 8 });
    expect(first?.airC).toBeCloseTo(8, 9);
    // A knot is 1852 m an hour.
    expect(first?.windMs).toBeCloseTo(18520 / 3600, 9);
  });
  it('one said not to be in the file is not read, whatever its header', () => {
    const csv = 'time,air,rh,wind\n2026-05-14 06:00,8,82,99\n2026-05-14 07:00,8,82,3\n';
    expect(readWeatherCsv(csv, 'UTC', { wind: null }).readings.map(({ windMs }) => windMs)).toEqual([
      null,
      null,
    ]);
  });
  it('a column that is none is refused by its number', () => {
    expect(() => readWeatherCsv(foreign, 'UTC', { ...mapping, air: { index: 9 } })).toThrow(
      'Column 10 was chosen for air, but the file has only 5 columns',
    );
  });
});
