import { create } from 'qrcode';
import { LabelSheet, Line } from './label.tsx';

/** A thing that comes home, or a crate of alike ones, as its label tells it. */
export interface LabelledGear {
  /** Five signs, typed where no camera reads them. */
  code: string;
  what: string;
  /** "12 pieces" */
  amount: string;
  /** The crate or case it lives in. */
  lives: string;
  why: string;
}

/** One sheet of labels for gear: what, how many, where it lives, and a code that a phone reads. */
export function GearLabels({ gear, whose }: { gear: readonly LabelledGear[]; whose: string }) {
  return (
    <LabelSheet
      what="things"
      labels={gear.map((one) => ({
        id: `${one.code} ${one.what}`,
        label: (
          <g>
            <QrCode text={one.code} x={6} y={12} size={52} />
            <text x={32} y={80} fontSize={13} fontWeight="bold" textAnchor="middle" fill="#1f2637">
              {one.code}
            </text>
            <Line y={22} text={one.what} size={15} least={8} isBold />
            <Line y={40} text={one.amount} size={12} least={8} />
            <Line y={56} text={one.lives} size={12} least={8} />
            <Line y={72} text={one.why} size={9.5} least={7} />
            <Line y={90} text={whose} size={8} least={6} fill="#565c6d" />
          </g>
        ),
      }))}
    />
  );
}

/** A QR code as squares. ISO/IEC 18004, by the library. */
function QrCode({ text, x, y, size }: { text: string; x: number; y: number; size: number }) {
  const { modules } = create(text, { errorCorrectionLevel: 'Q' });
  const each = size / modules.size;
  const squares = Array.from(modules.data).flatMap((isDark, i) =>
    isDark
      ? [`M${(i % modules.size) * each} ${Math.floor(i / modules.size) * each}h${each}v${each}h-${each}z`]
      : [],
  );
  return <path transform={`translate(${x} ${y})`} d={squares.join('')} fill="#000000" />;
}
