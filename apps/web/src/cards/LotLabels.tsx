import type { Colour, Lot } from '@early-lantern/contract';
import { sizeName } from '@early-lantern/core';
import { contrastInk } from './ink.ts';
import { type LabelFor, LabelSheet, Line, Strip, WhoseLine } from './label.tsx';

/** A lot with the piece it is for. */
export interface LabelledLot extends Lot {
  piece: string;
}

interface LotLabelsProps {
  lots: readonly LabelledLot[];
  colours: readonly Colour[];
  whose: LabelFor;
}

/** One sheet of labels: what to blow, through which hole, how many, into what, into which bag. */
export function LotLabels({ lots, colours, whose }: LotLabelsProps) {
  return (
    <LabelSheet
      what="lots"
      labels={lots.map((lot) => ({
        id: lot.id,
        label: <LotLabel lot={lot} colour={colours.find((one) => one.id === lot.colour)} whose={whose} />,
      }))}
    />
  );
}

interface LotLabelProps {
  lot: LabelledLot;
  colour: Colour | undefined;
  whose: LabelFor;
}

function LotLabel({ lot, colour, whose }: LotLabelProps) {
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
      <Strip name={lot.id} fill={hex} ink={contrastInk(hex)} />
      <Line y={14} text={lot.piece} size={11.5} least={7} isBold />
      <Line y={31} text={what} size={17} least={10} isBold />
      <Line y={43} text={hole} size={10.5} least={7} />
      <Line y={54} text={spareWords(lot)} size={10.5} least={7} />
      <Line y={65} text={`into ${lot.cluster}`} size={10.5} least={7} />
      <Line y={78} text={bags} size={11.5} least={6.5} isBold />
      <WhoseLine {...whose} />
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
