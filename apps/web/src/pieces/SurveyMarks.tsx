import type { Fixing, KeepClear, Spot } from '@early-lantern/contract';

interface SurveyMarksProps {
  spot: Spot;
  perM: number;
}

export const clearNames: Record<KeepClear['kind'], string> = {
  exit: 'exit',
  sign: 'sign',
  sprinkler: 'sprinkler',
  alarm: 'alarm',
  extinguisher: 'extinguisher',
  heater: 'heater',
  candle: 'candle',
  walkway: 'walkway',
  'power-line': 'power line',
};

/** What was surveyed on a spot: things to fix to, things to keep clear of, power. */
export function SurveyMarks({ spot, perM }: SurveyMarksProps) {
  const px = 1 / perM;
  const y = (yM: number) => spot.heightM - yM;
  const isAtEdge = (zone: KeepClear) => zone.xM + zone.widthM / 2 + 40 * px > spot.widthM;
  return (
    <g pointerEvents="none">
      {(spot.keepClear ?? []).map((zone) => (
        <g key={zone.id}>
          <rect
            x={zone.xM}
            y={y(zone.yM + zone.heightM)}
            width={zone.widthM}
            height={zone.heightM}
            fill="#a3341f"
            fillOpacity="0.07"
            stroke="#a3341f"
            strokeWidth={1.5 * px}
            strokeDasharray={`${5 * px} ${4 * px}`}
          />
          <text
            // At the right edge the word ends with the zone: further out it would be cut off.
            x={isAtEdge(zone) ? zone.xM + zone.widthM : zone.xM + zone.widthM / 2}
            y={y(zone.yM + zone.heightM) - 4 * px}
            fontSize={12 * px}
            textAnchor={isAtEdge(zone) ? 'end' : 'middle'}
            fill="#86281a"
          >
            {clearNames[zone.kind]}
          </text>
        </g>
      ))}
      {(spot.fixings ?? []).map((fixing) => (
        <FixingMark key={fixing.id} fixing={fixing} y={y(fixing.yM)} px={px} />
      ))}
      {(spot.power ?? []).map((point) => (
        <g key={point.id} transform={`translate(${point.xM} ${y(point.yM)})`}>
          <title>power point</title>
          <rect
            x={-6 * px}
            y={-6 * px}
            width={12 * px}
            height={12 * px}
            rx={2 * px}
            fill="#fffaf0"
            stroke="#1f2637"
            strokeWidth={1.4 * px}
          />
          <path
            d={`M${-2 * px} ${-2 * px}v${4 * px}M${2 * px} ${-2 * px}v${4 * px}`}
            stroke="#1f2637"
            strokeWidth={1.4 * px}
          />
        </g>
      ))}
    </g>
  );
}

/** A rod, gutter or beam as a line, a nail, branch or frame as a hook. */
function FixingMark({ fixing, y, px }: { fixing: Fixing; y: number; px: number }) {
  const { kind, xM, lengthM } = fixing;
  const ink = { stroke: '#1b6468', strokeWidth: 3 * px, strokeLinecap: 'round' as const, fill: 'none' };
  return (
    <g>
      <title>{kind}</title>
      {lengthM > 0 ? (
        <path d={`M${xM} ${y}h${lengthM}`} {...ink} />
      ) : (
        <path d={`M${xM} ${y - 5 * px}v${6 * px}a${3 * px} ${3 * px} 0 1 0 ${5 * px} ${-1 * px}`} {...ink} />
      )}
      <text x={xM + 2 * px} y={y - 7 * px} fontSize={11.5 * px} fill="#164f52">
        {kind}
      </text>
    </g>
  );
}
