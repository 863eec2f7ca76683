import type { Colour, Lot } from '@early-lantern/contract';
import { sizeName } from '@early-lantern/core';
import { contrastInk } from './ink.ts';
import type { Paper } from './save.ts';

/** A lot with the piece it is for. */
export interface LabelledLot extends Lot {
  piece: string;
}

/** Labels two across, 260 by 100 points each: seven down go on A4, six on Letter. */
const LABEL = { w: 256, h: 100, gap: 8 };
const ACROSS = 2;
const PER_SHEET: Record<Paper, number> = { A4: 14, LETTER: 12 };
const FONT = "'Public Sans Variable', Roboto, sans-serif";

const short = (text: string, most: number) => (text.length > most ? `${text.slice(0, most - 1)}…` : text);

/** Lots cut into sheets of labels. */
export function labelSheets(lots: readonly LabelledLot[], paper: Paper): LabelledLot[][] {
  const each = PER_SHEET[paper];
  return Array.from({ length: Math.ceil(lots.length / each) }, (_, i) =>
    lots.slice(i * each, (i + 1) * each),
  );
}

/** Whose lots they are: in the van bags of several jobs stand side by side. */
interface LabelFor {
  job: string;
  place: string;
  day: string;
}

interface LotLabelsProps {
  lots: readonly LabelledLot[];
  colours: readonly Colour[];
  whose: LabelFor;
}

/** One sheet of labels: what to blow, through which hole, how many, into what, into which bag. */
export function LotLabels({ lots, colours, whose }: LotLabelsProps) {
  const rows = Math.ceil(lots.length / ACROSS);
  const width = ACROSS * LABEL.w + LABEL.gap;
  const height = rows * (LABEL.h + LABEL.gap);
  return (
    <svg
      xmlns="http://www.w3.org/2000/svg"
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      role="img"
      aria-label={`Labels of ${lots.length} lots`}
      fontFamily={FONT}
      fill="#1f2637"
    >
      {lots.map((lot, i) => (
        <g
          key={lot.id}
          transform={`translate(${(i % ACROSS) * (LABEL.w + LABEL.gap)} ${Math.floor(i / ACROSS) * (LABEL.h + LABEL.gap)})`}
        >
          <LotLabel lot={lot} colour={colours.find((one) => one.id === lot.colour)} whose={whose} />
        </g>
      ))}
    </svg>
  );
}

interface LotLabelProps {
  lot: LabelledLot;
  colour: Colour | undefined;
  whose: LabelFor;
}

/** What is left of a label beside its coloured strip. */
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
function Line({ y, text, size, least, isBold = false, fill }: LineProps) {
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

function LotLabel({ lot, colour, whose: { job, place, day } }: LotLabelProps) {
  const hex = colour?.hex ?? '#888888';
  const [low, high = low] = lot.holesIn;
  const hole = low === high ? `hole ${low} in.` : `holes ${low}–${high} in.`;
  const isAllKept = lot.blown === 0 && lot.kept > 0;
  const what = `${isAllKept ? `${lot.kept} kept,` : `${lot.blown} ×`} ${sizeName(lot.nominalIn)} ${colour?.name ?? lot.colour}`;
  const bags =
    lot.bags.length === 1
      ? `bag ${lot.bags[0]}`
      : lot.bags.map((bag, i) => `${bag}: ${lot.perSection[i]}`).join('  ');
  return (
    <g>
      <rect width={LABEL.w} height={LABEL.h} rx="6" fill="#ffffff" stroke="#1f2637" strokeWidth="1" />
      <path d={`M6 0h50v${LABEL.h}h-50a6 6 0 0 1 -6 -6v-${LABEL.h - 12}a6 6 0 0 1 6 -6z`} fill={hex} />
      <text
        x="28"
        y="58"
        fontSize={lot.id.length > 3 ? 16 : 22}
        fontWeight="bold"
        textAnchor="middle"
        fill={contrastInk(hex)}
      >
        {lot.id}
      </text>
      <Line y={14} text={lot.piece} size={11.5} least={7} isBold />
      <Line y={31} text={what} size={17} least={10} isBold />
      <Line y={43} text={hole} size={10.5} least={7} />
      <Line y={54} text={spareWords(lot)} size={10.5} least={7} />
      <Line y={65} text={`into ${lot.cluster}`} size={10.5} least={7} />
      <Line y={78} text={bags} size={11.5} least={6.5} isBold />
      <Line
        y={92}
        text={`${day} · ${short(job, 24)} · ${short(place, 18)}`}
        size={8}
        least={6}
        fill="#565c6d"
      />
    </g>
  );
}

/** What of a bag is spare, and what is kept besides, where anything is. */
function spareWords({ count, spare, blown, kept }: Pick<Lot, 'count' | 'spare' | 'blown' | 'kept'>): string {
  const anew = count - kept;
  const spares =
    spare === 0 ? [] : [blown > anew ? `${anew} to hang, ${spare} spare` : `and ${spare} spare, not blown`];
  // Where nothing is blown the kept ones stand above.
  return [...spares, ...(kept > 0 && blown > 0 ? [`and ${kept} kept`] : [])].join(', ');
}
