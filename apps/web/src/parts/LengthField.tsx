import { LengthFormatError, parseLength } from '@early-lantern/core';
import { TextField, type TextFieldProps } from '@mui/material';
import { useState } from 'react';
import { useUnits } from '../preferences.tsx';

interface LengthFieldProps extends Omit<TextFieldProps, 'value' | 'onChange' | 'error'> {
  /** Left out, nobody has measured it: the field is blank. */
  valueM: number | undefined;
  onCommit: (valueM: number) => void;
  /** Emptied, nobody knows it any more; left out, it cannot be emptied. */
  onClear?: () => void;
  /** Show inches or centimetres rather than feet or metres; a bare number is read so too. */
  short?: boolean;
  /** Limits, metres. */
  min?: number;
  max?: number;
}

/** A length typed as people say it: `12'6`, `12 ft 6 in`, `3.8 m`, `150"`. Taken over on Enter or when left. */
export function LengthField({
  valueM,
  onCommit,
  onClear,
  short = false,
  min = 0.01,
  max = 200,
  helperText,
  ...field
}: LengthFieldProps) {
  const { units, long, short: shortText } = useUnits();
  const show = short ? shortText : long;
  const standing = valueM === undefined ? '' : show(valueM);
  const [typed, setTyped] = useState<string>();
  // What stood there when the field was entered: an answer that comes meanwhile must not move what is selected.
  const [entered, setEntered] = useState<string>();
  const [fault, setFault] = useState<string>();

  const commit = () => {
    if (typed === undefined) return;
    if (typed.trim() === '' && (valueM === undefined || onClear)) {
      setTyped(undefined);
      setFault(undefined);
      if (valueM !== undefined) onClear?.();
      return;
    }
    const isBare = /^[\d.,\s½¼¾⅛⅜⅝⅞/-]+$/.test(typed.trim());
    const text = short && isBare ? `${typed.trim()} ${units === 'metric' ? 'cm' : 'in'}` : typed;
    try {
      const metres = parseLength(text, units);
      if (metres < min || metres > max) {
        setFault(`Between ${show(min)} and ${show(max)}`);
        return;
      }
      if (show(metres) !== standing) onCommit(metres);
      setTyped(undefined);
      setFault(undefined);
    } catch (error) {
      if (!(error instanceof LengthFormatError)) throw error;
      setFault(error.message);
    }
  };

  return (
    <TextField
      {...field}
      value={typed ?? entered ?? standing}
      error={fault !== undefined}
      helperText={fault ?? helperText}
      onChange={(event) => {
        setTyped(event.target.value);
        // Gone while typing: vanishing only when left, it would move the button about to be clicked.
        setFault(undefined);
      }}
      onFocus={(event) => {
        setEntered(standing);
        event.target.select();
      }}
      onBlur={() => {
        setEntered(undefined);
        commit();
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter') {
          setEntered(undefined);
          commit();
        }
        if (event.key === 'Escape') {
          setEntered(undefined);
          setTyped(undefined);
          setFault(undefined);
        }
      }}
    />
  );
}
