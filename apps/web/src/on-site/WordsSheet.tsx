import { Box, TextField } from '@mui/material';
import { type FormEvent, useState } from 'react';
import { BigButton } from './BigButton.tsx';
import { BottomSheet } from './BottomSheet.tsx';

interface WordsSheetProps {
  title: string;
  label: string;
  /** What is said often: one press says it. */
  usual: readonly string[];
  onSay: (text: string) => void;
  onClose: () => void;
}

/** A few words: pressed where they are usual, else typed, or spoken to the keyboard. */
export function WordsSheet({ title, label, usual, onSay, onClose }: WordsSheetProps) {
  const [text, setText] = useState('');
  const [isBlank, setBlank] = useState(false);
  const send = (event: FormEvent) => {
    event.preventDefault();
    if (text.trim()) onSay(text.trim());
    else setBlank(true);
  };
  return (
    <BottomSheet title={title} onClose={onClose}>
      <Box sx={{ display: 'grid', gap: 1 }}>
        {usual.map((words) => (
          <BigButton key={words} onClick={() => onSay(words)}>
            {words}
          </BigButton>
        ))}
      </Box>
      <form onSubmit={send} noValidate style={{ display: 'grid', gap: 8 }}>
        <TextField
          label={label}
          multiline
          maxRows={4}
          value={text}
          error={isBlank}
          helperText={isBlank && 'A few words, please.'}
          onChange={({ target }) => {
            setText(target.value.slice(0, 1000));
            setBlank(false);
          }}
          slotProps={{ input: { sx: { fontSize: '1.125rem', minHeight: 56 } } }}
        />
        <BigButton type="submit" variant="contained">
          Send
        </BigButton>
      </form>
    </BottomSheet>
  );
}
