import type { KeepClear, Spot } from '@early-lantern/contract';
import { isSolidBehind, leafOf, METRES_PER_FOOT } from '@early-lantern/core';
import { floorColours } from '../pieces/SpotDrawing.tsx';
import { clearNames } from '../pieces/SurveyMarks.tsx';
import { useUnits } from '../preferences.tsx';
import type { GroundFrame } from './frame.ts';

const INK = '#1f2637';
const RED = '#a3341f';
/** People walk under what is as high as this, m: 80 in. ADA 2010 Standards, 307.4. */
export const HEADROOM_M = 2.032;

interface FloorDrawingProps extends GroundFrame {
  spot: Spot;
}

/** A spot from above without its pieces: the wall at the top, the floor, zones kept clear, doors with their swing, rulers. */
export function FloorDrawing({ spot, box, perM, deepM }: FloorDrawingProps) {
  const px = 1 / perM;
  return (
    <g>
      <rect x={box.x} y={box.y} width={box.w} height={box.h} fill="#f1ead9" />
      <rect
        x={0}
        y={0}
        width={spot.widthM}
        height={deepM}
        fill={spot.floor ? floorColours[spot.floor] : '#d8cfba'}
        fillOpacity="0.75"
      />
      {/* How deep it is nobody has measured: its front edge is left open. */}
      {spot.depthM !== undefined && (
        <path d={`M0 0V${deepM}H${spot.widthM}V0`} fill="none" stroke={INK} strokeWidth={1.2 * px} />
      )}
      <path
        d={`M0 0H${spot.widthM}`}
        stroke={INK}
        strokeWidth={(isSolidBehind(spot.kind) ? 5 : 1.5) * px}
        strokeDasharray={isSolidBehind(spot.kind) ? undefined : `${7 * px} ${5 * px}`}
      />
      <text x={0} y={-7 * px} fontSize={12.5 * px} fill={INK}>
        {spot.name} from above{isSolidBehind(spot.kind) ? '' : ', its back edge'}
      </text>
      <text x={spot.widthM} y={-7 * px} fontSize={12.5 * px} fill="#3b4256" textAnchor="end">
        guests’ side below
      </text>
      {(spot.keepClear ?? []).map((zone) => (
        <Zone key={zone.id} zone={zone} deepM={deepM} px={px} />
      ))}
      {(spot.power ?? []).map(({ id, xM }) => (
        <g key={id} transform={`translate(${xM} ${5 * px})`}>
          <title>power point</title>
          <rect
            x={-5 * px}
            y={-5 * px}
            width={10 * px}
            height={10 * px}
            rx={2 * px}
            fill="#fffaf0"
            stroke={INK}
            strokeWidth={1.3 * px}
          />
        </g>
      ))}
      <Rulers spot={spot} deepM={deepM} px={px} />
    </g>
  );
}

/** A zone kept clear: as deep as it was drawn, else at any distance from the wall; a door with the arc of its leaf. */
function Zone({ zone, deepM, px }: { zone: KeepClear; deepM: number; px: number }) {
  const { xM, widthM, frontM = 0, depthM, swing } = zone;
  const isOverhead = zone.yM >= HEADROOM_M;
  const name = clearNames[zone.kind];
  const zoneDeepM = depthM ?? Math.max(0, deepM - frontM);
  return (
    <g pointerEvents="none">
      <rect
        x={xM}
        y={frontM}
        width={widthM}
        height={zoneDeepM}
        fill={RED}
        fillOpacity={isOverhead ? 0.03 : 0.09}
        stroke={RED}
        strokeWidth={1.3 * px}
        strokeDasharray={`${5 * px} ${4 * px}`}
      />
      {swing && <Swing zone={zone} px={px} />}
      {/* At its front edge: pieces with their names stand at the back. */}
      <text
        x={xM + 5 * px}
        y={frontM + Math.max(15 * px, zoneDeepM - 8 * px)}
        fontSize={12 * px}
        fill="#86281a"
      >
        {isOverhead ? `${name}, overhead` : name}
      </text>
    </g>
  );
}

function Swing({ zone, px }: { zone: KeepClear; px: number }) {
  const { xM, widthM, swing } = zone;
  const leafM = leafOf(zone);
  const leaf = (hingeM: number, way: 1 | -1) =>
    `M${hingeM} 0V${leafM}M${hingeM + way * leafM} 0A${leafM} ${leafM} 0 0 ${way === 1 ? 1 : 0} ${hingeM} ${leafM}`;
  const paths = [
    ...(swing === 'right' ? [] : [leaf(xM, 1)]),
    ...(swing === 'left' ? [] : [leaf(xM + widthM, -1)]),
  ];
  return <path d={paths.join('')} fill="none" stroke={RED} strokeWidth={1.6 * px} />;
}

/** Marks along the wall and out from it: every foot or half metre, numbered where there is room. */
function Rulers({ spot, deepM, px }: { spot: Spot; deepM: number; px: number }) {
  const { units } = useUnits();
  const isImperial = units === 'imperial';
  const step = isImperial ? METRES_PER_FOOT : 0.5;
  const every = [1, 2, 4, 5, 10].find((count) => count * step >= 34 * px) ?? 20;
  const marks = (length: number) => Array.from({ length: Math.floor(length / step + 1e-6) + 1 }, (_, i) => i);
  const name = (i: number) => (isImperial ? `${i}′` : (i * step).toFixed(1));
  const text = { fontSize: 12 * px, fill: '#2c3347', stroke: 'none' };
  return (
    <g aria-hidden="true" stroke="#2c3347" strokeWidth={px}>
      {marks(deepM).map((i) => (
        <g key={i} transform={`translate(${-6 * px} ${i * step})`}>
          <path d={`M0 0h${(i % every === 0 ? -8 : -4) * px}`} />
          {i % every === 0 && (
            <text {...text} x={-11 * px} y={4 * px} textAnchor="end">
              {name(i)}
            </text>
          )}
        </g>
      ))}
      {marks(spot.widthM).map((i) => (
        <g key={i} transform={`translate(${i * step} ${deepM + 5 * px})`}>
          <path d={`M0 0v${(i % every === 0 ? 8 : 4) * px}`} />
          {i % every === 0 && (
            <text {...text} y={20 * px} textAnchor="middle">
              {name(i)}
            </text>
          )}
        </g>
      ))}
    </g>
  );
}
