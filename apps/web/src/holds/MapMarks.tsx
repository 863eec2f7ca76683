import type { HoldPiece, Spot } from '@early-lantern/contract';
import { keptClear } from '@early-lantern/core';

/** Zones kept clear, as wide as they have to be. */
export function ClearZones({ spot, px }: { spot: Spot; px: number }) {
  return (spot.keepClear ?? []).map((zone) => {
    const clear = keptClear(zone);
    return (
      <rect
        key={zone.id}
        x={clear.from.x}
        y={spot.heightM - clear.to.y}
        width={clear.to.x - clear.from.x}
        height={clear.to.y - clear.from.y}
        fill="#a4321f"
        fillOpacity="0.08"
        stroke="#a4321f"
        strokeOpacity="0.7"
        strokeWidth={px}
        strokeDasharray={`${3 * px} ${3 * px}`}
      />
    );
  });
}

interface TieProps {
  line: HoldPiece['tieLines'][number];
  spot: Spot;
  px: number;
}

/** A tie line from where it is tied to its stake. */
export function Tie({ line, spot, px }: TieProps) {
  const { xM, yM } = line.fromXYM;
  // Seen from the front a line forward and one back lie over each other: they are drawn a little apart.
  const footX = line.toXM + (line.towards === 'back' ? 8 * px : 0);
  return (
    <g aria-hidden="true" pointerEvents="none">
      <path
        d={`M${xM} ${spot.heightM - yM}L${footX} ${spot.heightM}`}
        stroke="#1f2637"
        strokeWidth={2 * px}
        strokeDasharray={line.towards === 'back' ? `${6 * px} ${5 * px}` : undefined}
      />
      <circle cx={footX} cy={spot.heightM} r={4 * px} fill="#1f2637" />
    </g>
  );
}
