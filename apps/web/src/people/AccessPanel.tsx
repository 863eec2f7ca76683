import { type Account, type AccountRow, type Handed, type Role, roles } from '@early-lantern/contract';
import { Alert, Box, Button, MenuItem, Paper, TextField, Typography } from '@mui/material';
import { useMutation, useQuery } from '@tanstack/react-query';
import { DateTime } from 'luxon';
import { useState } from 'react';
import { call } from '../api/client.ts';
import { queryClient, useCrew } from '../api/queries.ts';
import { newId } from '../parts/ids.ts';
import { useNotice } from '../parts/notices.tsx';
import { AddAccount } from './AddAccount.tsx';
import { FirstOwnerForm } from './FirstOwnerForm.tsx';
import { HandedLink } from './HandedLink.tsx';
import { useMay, useMe } from './me.ts';
import { PinDialog } from './PinDialog.tsx';
import { roleWords } from './role-words.ts';
import { linkTo } from './token.ts';

const ACCOUNTS = ['accounts'] as const;

/** Who may come in, as what, and on how many devices they are. */
export function AccessPanel() {
  const me = useMe().data;
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Who may come in"
      sx={{ p: 2, display: 'grid', gap: 2 }}
    >
      <Typography variant="h2">Who may come in</Typography>
      {me?.isOpen ? <FirstOwnerForm /> : me?.account && <Accounts own={me.account} />}
    </Paper>
  );
}

function Accounts({ own }: { own: Account }) {
  const isOwner = useMay('manage access');
  const notify = useNotice();
  const crew = useCrew().data;
  const [handed, setHanded] = useState<{ name: string; link: Handed }>();
  const [pinOf, setPinOf] = useState<AccountRow>();
  const { data, error } = useQuery({
    queryKey: ACCOUNTS,
    queryFn: () => call<AccountRow[]>('GET', isOwner ? '/accounts' : '/helpers'),
  });
  const { mutate } = useMutation({
    mutationFn: (act: () => Promise<unknown>) => act(),
    onError: ({ message }: Error) => notify({ text: message }),
    onSettled: () => queryClient.invalidateQueries({ queryKey: ACCOUNTS }),
  });
  const invite = (name: string, ask: () => Promise<Handed>) =>
    mutate(async () => setHanded({ name, link: await ask() }));
  const set = ({ revision, data: before }: AccountRow, change: Partial<Account>) =>
    mutate(() => call('PUT', `/accounts/${before.id}`, { revision, data: { ...before, ...change } }));
  if (error) return <Alert severity="warning">The list could not be read. {error.message}</Alert>;
  return (
    <>
      <Box>
        {data?.map((row) => (
          <AccountLine
            key={row.data.id}
            row={row}
            isSelf={row.data.id === own.id}
            canManage={isOwner}
            onRole={(role) => set(row, { role })}
            onPin={() => setPinOf(row)}
            onInvite={() =>
              invite(row.data.name, () => call<Handed>('POST', `/accounts/${row.data.id}/invitation`))
            }
            onSignOut={() => mutate(() => call('POST', `/accounts/${row.data.id}/sign-out`))}
            onRemove={() => mutate(() => call('DELETE', `/accounts/${row.data.id}?revision=${row.revision}`))}
          />
        ))}
        {data?.length === 0 && <Typography>No helper may come in yet. The owner can let them in.</Typography>}
      </Box>
      {isOwner && (
        <AddAccount
          crew={(crew ?? [])
            .map((row) => row.data)
            .filter(({ id }) => !data?.some((row) => row.data.crewId === id))}
          onAdd={(account) =>
            invite(account.name, () =>
              call<Handed>('POST', '/accounts', { ...account, id: newId(account.name) }),
            )
          }
        />
      )}
      {handed && (
        <HandedLink
          title={`Link for ${handed.name}`}
          link={linkTo('/join', handed.link.token)}
          until={handed.link.until}
          onClose={() => setHanded(undefined)}
        />
      )}
      {pinOf && (
        <PinDialog
          name={pinOf.data.name}
          hasPin={pinOf.hasPin}
          onClose={() => setPinOf(undefined)}
          onSet={(pin) => {
            setPinOf(undefined);
            mutate(() => call('PUT', `/accounts/${pinOf.data.id}/pin`, { pin }));
          }}
        />
      )}
    </>
  );
}

interface AccountLineProps {
  row: AccountRow;
  isSelf: boolean;
  canManage: boolean;
  onRole: (role: Role) => void;
  onPin: () => void;
  onInvite: () => void;
  onSignOut: () => void;
  onRemove: () => void;
}

/** One who may come in. Nobody locks themselves out: what would is not offered to oneself. */
function AccountLine({
  row,
  isSelf,
  canManage,
  onRole,
  onPin,
  onInvite,
  onSignOut,
  onRemove,
}: AccountLineProps) {
  const { data, signedIn, lastSeenAt } = row;
  const isForPin = data.role === 'helper' || data.role === 'viewer';
  const ways = [row.hasPassword && 'password', row.hasPin && 'PIN'].filter(Boolean).join(' and ');
  return (
    <Box
      role="group"
      aria-label={data.name}
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        gap: 1,
        alignItems: 'center',
        py: 1,
        borderTop: 1,
        borderColor: 'divider',
      }}
    >
      <Box sx={{ flex: '1 1 200px', minWidth: 0 }}>
        <Typography sx={{ fontWeight: 650, overflowWrap: 'anywhere' }}>
          {data.name}
          {isSelf && ' (you)'}
        </Typography>
        <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
          {ways || (row.invitedUntil ? 'invited, not signed in yet' : 'no way in: make a link or set a PIN')}
          {signedIn > 0 && ` · signed in on ${signedIn} ${signedIn === 1 ? 'device' : 'devices'}`}
          {lastSeenAt && ` · last seen ${DateTime.fromISO(lastSeenAt).toFormat('d LLL, HH:mm')}`}
        </Typography>
      </Box>
      <TextField
        select
        size="small"
        hiddenLabel
        value={data.role}
        disabled={isSelf || !canManage}
        onChange={({ target }) => onRole(target.value as Role)}
        sx={{ width: 120 }}
        slotProps={{ select: { SelectDisplayProps: { 'aria-label': `Role of ${data.name}` } } }}
      >
        {roles.map((role) => (
          <MenuItem key={role} value={role}>
            {roleWords[role].name}
          </MenuItem>
        ))}
      </TextField>
      {isForPin && (
        <Button size="small" variant="outlined" onClick={onPin}>
          {row.hasPin ? 'Change PIN' : 'Set a PIN'}
        </Button>
      )}
      {canManage && !isSelf && (
        <>
          <Button size="small" variant="outlined" onClick={onInvite}>
            New link
          </Button>
          {signedIn > 0 && (
            <Button size="small" variant="outlined" onClick={onSignOut}>
              Sign out
            </Button>
          )}
          <Button size="small" variant="outlined" aria-label={`Remove ${data.name}`} onClick={onRemove}>
            Remove
          </Button>
        </>
      )}
    </Box>
  );
}
