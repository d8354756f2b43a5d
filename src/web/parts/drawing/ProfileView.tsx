import type { Stand } from '../../../contract/index.ts';
import type { Point, Zone } from '../../../core/hull/index.ts';
import { AreaShape, Balloon } from './AreaShape.tsx';
import { ACROSS, type Drawn, type DrawnArea, fromLeft, onSide, pathOf, type XY } from './drawn.ts';
import { ZoneShapes } from './ZoneShapes.tsx';

/** Painted in this order, so that what lies nearer covers what lies behind. */
const ORDER: readonly Zone[] = [
  'rudder',
  'keel',
  'bottom',
  'bilge',
  'cabin',
  'deck',
  'topsides',
  'transom',
  'boot-stripe',
];

/** Where along its zone a balloon hangs, so that zones lying over each other keep theirs apart. */
const BALLOON_AT: Partial<Record<Zone, number>> = {
  'boot-stripe': 0.82,
  bilge: 0.25,
  bottom: 0.6,
  deck: 0.85,
  topsides: 0.4,
};

interface DrawnZone {
  zone: Zone;
  outline: readonly Point[];
  areas: readonly DrawnArea[];
}

/** The place of a point of the profile in drawing units; the top of the drawing is 0. */
export function profileFrame({ lines, seenFrom, scale }: Drawn) {
  const flip = seenFrom === 'port';
  return {
    x: (m: number) => (flip ? lines.lengthM - m : m) * scale,
    y: (z: number) => (lines.profile.maxZ - z) * scale,
    height: (lines.profile.maxZ - lines.profile.minZ) * scale,
  };
}

/** The boat from the side. */
export function ProfileView({ drawn }: { drawn: Drawn }) {
  const { lines, areas, seenFrom, detailed, selectedId } = drawn;
  const { x, y } = profileFrame(drawn);
  const at = (p: Point): XY => [x(p.x), y(p.z)];
  const seen = areas.filter((a) => onSide(a.side, seenFrom));
  // Patches lie under their stands and spots are small: neither shares out its zone with the rest.
  const large = seen.filter((a) => a.part?.kind !== 'patch' && a.part?.kind !== 'spot');
  const zones: DrawnZone[] = ORDER.flatMap((zone) => {
    const outline = lines.profile.zones[zone];
    const here = large.filter((a) => a.zone === zone);
    // The bilge shows only on a boat that has one in hand.
    if (!outline || (zone === 'bilge' && here.length === 0)) return [];
    return [{ zone, outline, areas: here }];
  });
  const span = (outline: readonly Point[]) => {
    const xs = outline.map((p) => x(p.x));
    return { left: Math.min(...xs), width: Math.max(...xs) - Math.min(...xs) };
  };
  return (
    <g strokeLinejoin="round">
      <Ground drawn={drawn} />
      <g stroke="var(--line)" strokeWidth={detailed ? 1.4 : 2.4}>
        {zones.map(({ zone, outline, areas: here }) => (
          <ZoneShapes key={zone} outline={outline.map(at)} areas={here} drawn={drawn} />
        ))}
        <Spots drawn={drawn} spots={seen.filter((a) => a.part?.kind === 'spot')} zones={zones} at={at} />
        <line
          x1={x(lines.profile.waterline[0].x)}
          x2={x(lines.profile.waterline[1].x)}
          y1={y(0)}
          y2={y(0)}
          strokeWidth={detailed ? 1 : 1.6}
          strokeDasharray="14 5 3 5"
        />
      </g>
      <Stands drawn={drawn} patches={seen.filter((a) => a.part?.kind === 'patch')} />
      {detailed &&
        zones.flatMap(({ zone, outline, areas: here }) => {
          const { left, width } = span(outline);
          const ys = outline.map((p) => y(p.z));
          const middle = (Math.min(...ys) + Math.max(...ys)) / 2;
          return here.map((area, i) => (
            <Balloon
              key={area.id}
              at={[
                left +
                  (width * (fromLeft(i, here.length, drawn.seenFrom) + (BALLOON_AT[zone] ?? 0.5))) /
                    here.length,
                middle,
              ]}
              text={String(area.number)}
              chosen={area.id === selectedId}
            />
          ));
        })}
      {detailed && <Findings drawn={drawn} />}
    </g>
  );
}

/** Spots: small rounds along the zone they were cut out of. */
function Spots({
  drawn,
  spots,
  zones,
  at,
}: {
  drawn: Drawn;
  spots: readonly DrawnArea[];
  zones: readonly DrawnZone[];
  at: (p: Point) => XY;
}) {
  return spots.map((spot, i) => {
    const outline = zones.find((each) => each.zone === spot.zone)?.outline;
    if (!outline) return null;
    const places = outline.map(at);
    const [xs, ys] = [places.map(([px]) => px), places.map(([, py]) => py)];
    const left = Math.min(...xs);
    const cx = left + ((Math.max(...xs) - left) * (i + 1)) / (spots.length + 1.6);
    const cy = (Math.min(...ys) + Math.max(...ys)) / 2;
    const round = Array.from({ length: 20 }, (_, k): XY => {
      const turn = (k * Math.PI) / 10;
      return [cx + 14 * Math.cos(turn), cy + 14 * Math.sin(turn)];
    });
    return <AreaShape key={spot.id} area={spot} d={pathOf(round)} drawn={drawn} />;
  });
}

/** The ground, drawn where there are supports. */
function Ground({ drawn }: { drawn: Drawn }) {
  const { y, height } = profileFrame(drawn);
  if (drawn.stands.length === 0) return null;
  const level = y(0) + (height - y(0)) + 10;
  return (
    <g stroke="var(--line)" strokeWidth="1">
      <line x1={-10} x2={ACROSS + 10} y1={level} y2={level} />
      {Array.from({ length: 26 }, (_, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: strokes of one hatch
        <line key={i} x1={i * 40} x2={i * 40 - 9} y1={level} y2={level + 9} />
      ))}
    </g>
  );
}

/** Each support as its pad on the hull and its leg to the ground; the patch under it has the pad’s shape. */
function Stands({ drawn, patches }: { drawn: Drawn; patches: readonly DrawnArea[] }) {
  const { x, y, height } = profileFrame(drawn);
  const ground = height + 10;
  const shown = drawn.stands.filter((s) => onSide(s.side, drawn.seenFrom));
  return shown.map((stand) => {
    const [cx, cy] = [x(stand.xM), y(stand.zM)];
    const [w, h] = [stand.lengthM * drawn.scale, Math.max(8, stand.widthM * drawn.scale * 0.6)];
    const pad: XY[] = [
      [cx - w / 2, cy - h / 2],
      [cx + w / 2, cy - h / 2],
      [cx + w / 2, cy + h / 2],
      [cx - w / 2, cy + h / 2],
    ];
    const patch = patches.find((each) => each.part?.standId === stand.id);
    return (
      <g key={stand.id} stroke="var(--line)" strokeWidth="1.6">
        {stand.shiftedAt === null && <Leg stand={stand} from={[cx, cy + h / 2]} to={ground} width={w} />}
        {patch ? (
          <AreaShape area={patch} d={pathOf(pad)} drawn={drawn} />
        ) : (
          <path d={pathOf(pad)} fill="none" strokeDasharray="4 3" />
        )}
      </g>
    );
  });
}

function Leg({ stand, from: [cx, cy], to, width }: { stand: Stand; from: XY; to: number; width: number }) {
  if (stand.kind === 'block') {
    return <rect x={cx - width / 2} y={cy} width={width} height={Math.max(2, to - cy)} fill="var(--board)" />;
  }
  if (stand.kind === 'sling') {
    return <path d={`M${cx} ${cy}V${-30}`} fill="none" strokeDasharray="9 4" />;
  }
  const foot = Math.max(12, width * 0.6);
  return (
    <path
      d={`M${cx} ${cy}V${to}M${cx - foot} ${to}L${cx} ${cy + (to - cy) * 0.35}L${cx + foot} ${to}`}
      fill="none"
    />
  );
}

/** Findings by letter; a bad one is filled, a fine one open. */
function Findings({ drawn }: { drawn: Drawn }) {
  const { x, y } = profileFrame(drawn);
  return drawn.findings.map(({ id, place, verdict, letter }) => {
    if (!place || place.side !== drawn.seenFrom) return null;
    const [cx, cy] = [x(place.xM), y(place.zM)];
    const bad = verdict === 'bad';
    return (
      <g key={id} pointerEvents="none" stroke="var(--line)" strokeWidth="1.6">
        <path
          d={`M${cx} ${cy - 17}l17 17l-17 17l-17 -17z`}
          fill={bad ? 'var(--line)' : 'var(--board)'}
          strokeDasharray={verdict === 'noted' ? '4 3' : undefined}
        />
        <text
          x={cx}
          y={cy + 6}
          fontSize="18"
          fontWeight="650"
          textAnchor="middle"
          stroke="none"
          fill={bad ? 'var(--board)' : 'var(--line)'}
        >
          {letter}
        </text>
      </g>
    );
  });
}
