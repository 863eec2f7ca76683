import { readNumber } from '@early-lantern/contract';
import {
  KG_PER_POUND,
  LPS_PER_CFM,
  METRES_PER_FOOT,
  METRES_PER_INCH,
  MS_PER_MPH,
  NEWTONS_PER_POUND,
} from '@early-lantern/core';
import type { TextFieldProps } from '@mui/material';
import { useUnits } from '../preferences.tsx';
import { CommitField } from './CommitField.tsx';

/** A unit and how many of the SI unit it is. */
const scales = {
  mass: { metric: ['kg', 1], imperial: ['lb', KG_PER_POUND] },
  force: { metric: ['N', 1], imperial: ['lb', NEWTONS_PER_POUND] },
  wind: { metric: ['m/s', 1], imperial: ['mph', MS_PER_MPH] },
  flow: { metric: ['l/s', 1], imperial: ['cu ft/min', LPS_PER_CFM] },
  small: { metric: ['cm', 0.01], imperial: ['in', METRES_PER_INCH] },
  height: { metric: ['m', 1], imperial: ['ft', METRES_PER_FOOT] },
} as const;

export type Quantity = keyof typeof scales;

interface UnitFieldProps extends Omit<TextFieldProps, 'value' | 'onChange' | 'error' | 'label'> {
  label: string;
  quantity: Quantity;
  /** In the SI unit; undefined where nothing was typed and the usual holds. */
  value: number | undefined;
  /** Limits, and what holds where nothing is typed, in the SI unit. */
  min: number;
  max: number;
  usual?: number;
  /** Nothing typed is told as undefined, where there is something usual. */
  onCommit: (value: number | undefined) => void;
}

/** A figure typed and shown in the unit of the shop, kept in that of the SI. */
export function UnitField({ label, quantity, value, min, max, usual, onCommit, ...field }: UnitFieldProps) {
  const [unit, size] = scales[quantity][useUnits().units];
  const shown = (one: number) => {
    const count = one / size;
    return String(Number(count.toFixed(count < 10 ? 2 : count < 100 ? 1 : 0)));
  };
  return (
    <CommitField
      {...field}
      label={`${label}, ${unit}`}
      value={value === undefined ? '' : shown(value)}
      {...(usual === undefined
        ? {}
        : { placeholder: `${shown(usual)} as usual`, slotProps: { inputLabel: { shrink: true } } })}
      onCommit={(text) => {
        if (!text.trim() && usual !== undefined) return void onCommit(undefined);
        const typed = (readNumber(text) ?? Number.NaN) * size;
        // A limit typed as it is shown counts as kept.
        if (!(typed >= min - size * 0.5 && typed <= max + size * 0.5))
          return `From ${shown(min)} to ${shown(max)}${usual === undefined ? '' : '; blank = the usual'}`;
        onCommit(Number(Math.min(max, Math.max(min, typed)).toFixed(4)));
        return undefined;
      }}
    />
  );
}
