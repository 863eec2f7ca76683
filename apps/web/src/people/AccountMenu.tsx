import PersonIcon from '@mui/icons-material/PersonOutlined';
import { IconButton, ListSubheader, Menu, MenuItem, Tooltip } from '@mui/material';
import { lazy, Suspense, useState } from 'react';
import { call } from '../api/client.ts';
import { useNotice } from '../parts/notices.tsx';
import { beginAnew, useMe } from './me.ts';
import { roleWords } from './role-words.ts';

const PasswordDialog = lazy(() =>
  import('./PasswordDialog.tsx').then((module) => ({ default: module.PasswordDialog })),
);

/** Who is signed in, and the way out. Nothing while nobody has to sign in. */
export function AccountMenu({ isDark, onTurnMode }: { isDark: boolean; onTurnMode: () => void }) {
  const me = useMe().data;
  const notify = useNotice();
  const [anchor, setAnchor] = useState<HTMLElement>();
  const [isChanging, setChanging] = useState(false);
  if (!me?.account || me.isOpen) return null;
  const { name, role } = me.account;
  const leave = (path: string) =>
    call('POST', path).then(
      // Not to the page that was open: the next one may be somebody else.
      () => window.location.replace('/'),
      ({ message }: Error) => notify({ text: `You are still signed in. ${message}` }),
    );
  return (
    <>
      <Tooltip title={`${name}, ${roleWords[role].name.toLowerCase()}`}>
        <IconButton
          aria-label={`Signed in as ${name}`}
          aria-haspopup="menu"
          onClick={(event) => setAnchor(event.currentTarget)}
        >
          <PersonIcon />
        </IconButton>
      </Tooltip>
      <Menu open={anchor !== undefined} anchorEl={anchor ?? null} onClose={() => setAnchor(undefined)}>
        <ListSubheader>
          {name}, {roleWords[role].name.toLowerCase()}
        </ListSubheader>
        <MenuItem sx={{ display: { sm: 'none' } }} onClick={onTurnMode}>
          {isDark ? 'Light page' : 'Dark page'}
        </MenuItem>
        <MenuItem onClick={() => void leave('/sign-out')}>Sign out</MenuItem>
        <MenuItem onClick={() => void leave('/sign-out/everywhere')}>Sign out on all devices</MenuItem>
        <MenuItem
          onClick={() => {
            setAnchor(undefined);
            setChanging(true);
          }}
        >
          Change password
        </MenuItem>
      </Menu>
      {isChanging && (
        <Suspense>
          <PasswordDialog name={name} onClose={() => setChanging(false)} onChanged={beginAnew} />
        </Suspense>
      )}
    </>
  );
}
