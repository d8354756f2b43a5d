import type { Area, BoatView, Finding } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { letterOf } from '../parts/drawing/drawnRows.ts';
import { SearchField } from '../parts/SearchField.tsx';
import { FINDING_WORDS } from '../words/findings.ts';

/** Which findings are listed, and in what order. */
export interface FindingFilter {
  search: string;
  sort: 'letter' | 'newest' | 'area' | 'kind';
}

interface ShownFinding {
  finding: Finding;
  /** As on the drawing, independent of the order of the list. */
  letter: string;
  area: Area | undefined;
}

const ORDER: Record<FindingFilter['sort'], (a: ShownFinding, b: ShownFinding) => number> = {
  letter: () => 0,
  newest: (a, b) => b.finding.at.localeCompare(a.finding.at),
  area: (a, b) => (a.area?.name ?? '').localeCompare(b.area?.name ?? ''),
  kind: (a, b) => FINDING_WORDS[a.finding.kind].word.localeCompare(FINDING_WORDS[b.finding.kind].word),
};

/** The findings that match the search, sorted, each with its letter on the drawing. */
export function shownFindings(
  { findings, areas }: BoatView,
  { search, sort }: FindingFilter,
): ShownFinding[] {
  const wanted = search.trim().toLowerCase();
  return findings
    .map((finding, i) => ({
      finding,
      letter: letterOf(i),
      area: areas.find((area) => area.id === finding.areaId),
    }))
    .filter(({ finding, area, letter }) =>
      `${letter} ${FINDING_WORDS[finding.kind].word} ${area?.name ?? ''} ${finding.note}`
        .toLowerCase()
        .includes(wanted),
    )
    .sort(ORDER[sort]);
}

/** From here on a list is searched rather than read. */
const LONG = 6;

export function FindingsFilter({
  count,
  filter,
  onFilter,
}: {
  count: number;
  filter: FindingFilter;
  onFilter: (filter: FindingFilter) => void;
}) {
  if (count < LONG) return null;
  return (
    <div className="flex flex-wrap items-end gap-3">
      <SearchField
        label={t`Search findings`}
        value={filter.search}
        onChange={(search) => onFilter({ ...filter, search })}
      />
      <label className="block">
        <span className="label-caps block pb-1">{t`Sort by`}</span>
        <select
          className="select"
          value={filter.sort}
          onChange={(event) => onFilter({ ...filter, sort: event.target.value as FindingFilter['sort'] })}
        >
          <option value="letter">{t`Letter`}</option>
          <option value="newest">{t`Newest first`}</option>
          <option value="area">{t`area`}</option>
          <option value="kind">{t`kind`}</option>
        </select>
      </label>
    </div>
  );
}
