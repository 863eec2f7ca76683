import type { Me } from '@early-lantern/contract';
import BackspaceIcon from '@mui/icons-material/BackspaceOutlined';
import { Box, Button, IconButton, Typography } from '@mui/material';
import { useState } from 'react';
import { call } from '../api/client.ts';
import { useKeys } from '../parts/useKeys.ts';
import { beginAnew } from './me.ts';
import { FormFault } from './PlainPage.tsx';

const SHORTEST = 4;
const LONGEST = 8;
const digits = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0'];

/** On a shared phone: who it is, then their PIN, with keys large enough for gloves. */
export function PinPad({ people }: { people: readonly { id: string; name: string }[] }) {
  const [person, setPerson] = useState<string>();
  const [pin, setPin] = useState('');
  const [fault, setFault] = useState<string>();
  const add = (digit: string) => setPin((before) => (before + digit).slice(0, LONGEST));
  const take = () => setPin((before) => before.slice(0, -1));
  const send = () =>
    call<Me>('POST', '/sign-in/pin', { accountId: person, pin }).then(beginAnew, (error: Error) => {
      setPin('');
      setFault(error.message);
    });
  useKeys({ ...Object.fromEntries(digits.map((digit) => [digit, () => person && add(digit)])) });
  if (!person)
    return (
      <>
        <Typography>Who are you?</Typography>
        {people.map(({ id, name }) => (
          <Button
            key={id}
            variant="outlined"
            size="large"
            sx={{ minHeight: 56, fontSize: 18 }}
            onClick={() => setPerson(id)}
          >
            {name}
          </Button>
        ))}
      </>
    );
  const { name } = people.find(({ id }) => id === person) ?? { name: '' };
  return (
    <>
      <Typography>
        {name}, your PIN{' '}
        <Button size="small" onClick={() => setPerson(undefined)}>
          Not you?
        </Button>
      </Typography>
      <Typography
        aria-label={`${pin.length} digits typed`}
        role="status"
        sx={{ fontSize: 34, letterSpacing: 10, minHeight: 44, textAlign: 'center' }}
      >
        {'•'.repeat(pin.length)}
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, 1fr)', gap: 1 }}>
        {digits.map((digit) => (
          <Button
            key={digit}
            variant="outlined"
            sx={{ minHeight: 60, fontSize: 24, gridColumn: digit === '0' ? 2 : undefined }}
            onClick={() => add(digit)}
          >
            {digit}
          </Button>
        ))}
        <IconButton aria-label="Take back the last digit" onClick={take}>
          <BackspaceIcon />
        </IconButton>
      </Box>
      <FormFault>{fault}</FormFault>
      <Button variant="contained" size="large" disabled={pin.length < SHORTEST} onClick={() => void send()}>
        Sign in
      </Button>
    </>
  );
}
