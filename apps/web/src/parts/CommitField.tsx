import { readNumber } from '@early-lantern/contract';
import { TextField, type TextFieldProps } from '@mui/material';
import { useState } from 'react';

interface CommitFieldProps extends Omit<TextFieldProps, 'value' | 'onChange'> {
  value: string;
  /** Called with the new text when the field is left or Enter pressed; returns what is wrong with it, if anything. */
  onCommit: (text: string) => string | undefined;
}

/** A text field that takes over what was typed when it is left, and says why not. */
export function CommitField({ value, onCommit, helperText, ...field }: CommitFieldProps) {
  const [typed, setTyped] = useState<string>();
  // What stood there when the field was entered: an answer that comes meanwhile must not move what is selected.
  const [entered, setEntered] = useState<string>();
  const [fault, setFault] = useState<string>();
  const commit = () => {
    if (typed === undefined || typed === value) return setTyped(undefined);
    const wrong = onCommit(typed);
    setFault(wrong);
    if (!wrong) setTyped(undefined);
  };
  return (
    <TextField
      {...field}
      value={typed ?? entered ?? value}
      error={fault !== undefined}
      helperText={fault ?? helperText}
      onChange={(event) => {
        setTyped(event.target.value);
        // Gone while typing: vanishing only when left, it would move the button about to be clicked.
        setFault(undefined);
      }}
      onFocus={() => setEntered(value)}
      onBlur={() => {
        setEntered(undefined);
        commit();
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter' && !field.multiline) {
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

/** A fault for text that is no whole number from `min` to `max`. */
export function wholeNumber(
  text: string,
  min: number,
  max: number,
  take: (value: number) => void,
): string | undefined {
  const value = readNumber(text) ?? Number.NaN;
  if (!Number.isInteger(value) || value < min || value > max) return `A whole number from ${min} to ${max}`;
  take(value);
  return undefined;
}

/** A fault for text that is no number from `min` to `max`. */
export function someNumber(
  text: string,
  min: number,
  max: number,
  take: (value: number) => void,
): string | undefined {
  const value = readNumber(text) ?? Number.NaN;
  if (!(value >= min && value <= max)) return `From ${min} to ${max}`;
  take(value);
  return undefined;
}

/** A fault for an empty name. */
export function someName(text: string, take: (value: string) => void): string | undefined {
  if (!text.trim()) return 'A name, please';
  take(text.trim().slice(0, 120));
  return undefined;
}
