import type { ReactNode } from 'react';
import type { Paper } from '../parts/save-drawing.ts';

/** Labels two across, 260 by 100 points each: seven down go on A4, six on Letter. */
const LABEL = { w: 256, h: 100, gap: 8 };
const ACROSS = 2;
const PER_SHEET: Record<Paper, number> = { A4: 14, LETTER: 12 };
const FONT = "'Public Sans Variable', Roboto, sans-serif";

const short = (text: string, most: number) => (text.length > most ? `${text.slice(0, most - 1)}…` : text);

/** What is to be labelled cut into sheets. */
export function labelSheets<T>(all: readonly T[], paper: Paper): T[][] {
  const each = PER_SHEET[paper];
  return Array.from({ length: Math.ceil(all.length / each) }, (_, i) => all.slice(i * each, (i + 1) * each));
}

/** Whose it is: in the van bags of several jobs stand side by side. */
export interface LabelFor {
  job: string;
  place: string;
  day: string;
}

/** One sheet of labels, each with its frame. */
export function LabelSheet({
  what,
  labels,
}: {
  what: string;
  labels: readonly { id: string; label: ReactNode }[];
}) {
  const rows = Math.ceil(labels.length / ACROSS);
  const width = ACROSS * LABEL.w + LABEL.gap;
  const height = rows * (LABEL.h + LABEL.gap);
  return (
    <svg
      xmlns="http://www.w3.org/2000/svg"
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      role="img"
      aria-label={`Labels of ${labels.length} ${what}`}
      fontFamily={FONT}
      fill="#1f2637"
    >
      {labels.map(({ id, label }, i) => (
        <g
          key={id}
          transform={`translate(${(i % ACROSS) * (LABEL.w + LABEL.gap)} ${Math.floor(i / ACROSS) * (LABEL.h + LABEL.gap)})`}
        >
          <rect width={LABEL.w} height={LABEL.h} rx="6" fill="#ffffff" stroke="#1f2637" strokeWidth="1" />
          {label}
        </g>
      ))}
    </svg>
  );
}

/** What is left of a label beside its strip. */
const TEXT_X = 66;
const TEXT_W = LABEL.w - TEXT_X - 6;
/** A letter's mean width over its height, plain and bold: of the shipped font, a little on the safe side. */
const LETTER = { plain: 0.53, bold: 0.58 };

interface LineProps {
  y: number;
  text: string;
  /** Height of the letters where they fit, and the least that is still read; longer text is cut off. */
  size: number;
  least: number;
  isBold?: boolean;
  fill?: string;
}

/** One line of a label, smaller where it is long. */
export function Line({ y, text, size, least, isBold = false, fill }: LineProps) {
  const letter = isBold ? LETTER.bold : LETTER.plain;
  const shown = short(text, Math.floor(TEXT_W / (letter * least)));
  const fontSize = Math.min(size, TEXT_W / (letter * Math.max(1, shown.length)));
  return (
    <text
      x={TEXT_X}
      y={y}
      fontSize={Number(fontSize.toFixed(2))}
      {...(isBold ? { fontWeight: 'bold' } : {})}
      {...(fill ? { fill } : {})}
    >
      {shown}
    </text>
  );
}

/** Whose it is, small, at the foot of a label. */
export const WhoseLine = ({ job, place, day }: LabelFor) => (
  <Line y={92} text={`${day} · ${short(job, 24)} · ${short(place, 18)}`} size={8} least={6} fill="#565c6d" />
);

/** The strip at the left of a label, with its name. */
export function Strip({ name, fill, ink }: { name: string; fill: string; ink: string }) {
  return (
    <>
      <path d={`M6 0h50v${LABEL.h}h-50a6 6 0 0 1 -6 -6v-${LABEL.h - 12}a6 6 0 0 1 6 -6z`} fill={fill} />
      <text
        x="28"
        y="58"
        fontSize={name.length > 5 ? 12 : name.length > 3 ? 16 : 22}
        fontWeight="bold"
        textAnchor="middle"
        fill={ink}
      >
        {name}
      </text>
    </>
  );
}
