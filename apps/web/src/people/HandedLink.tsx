import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
  Typography,
} from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { DateTime } from 'luxon';
import { toString as qrOf } from 'qrcode';

interface HandedLinkProps {
  title: string;
  link: string;
  /** ISO moment it ends. */
  until: string;
  onClose: () => void;
}

/** A link to hand on: shown this once, to copy or to photograph. */
export function HandedLink({ title, link, until, onClose }: HandedLinkProps) {
  const { data: picture } = useQuery({
    queryKey: ['qr', link],
    queryFn: () => qrOf(link, { type: 'svg', margin: 2 }),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
  });
  const isHere = /^https?:\/\/(localhost|127\.)/.test(link);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="handed-title">
      <DialogTitle id="handed-title">{title}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2 }}>
        <Typography>
          Copy it now: it is not shown again. It works until{' '}
          {DateTime.fromISO(until).toFormat('d LLLL yyyy, HH:mm')}.
        </Typography>
        <TextField
          label="Link"
          value={link}
          multiline
          slotProps={{ htmlInput: { readOnly: true, 'aria-label': 'Link to hand on' } }}
          onFocus={({ target }) => target.select()}
        />
        {picture && (
          <Box
            component="img"
            alt="The link as a QR code"
            src={`data:image/svg+xml;utf8,${encodeURIComponent(picture)}`}
            sx={{ width: 220, justifySelf: 'center', bgcolor: '#fff' }}
          />
        )}
        {isHere && (
          <Typography sx={{ fontSize: 14 }}>
            It opens on this computer only. For other devices start with <code>./lantern start --lan</code>.
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={() => void navigator.clipboard?.writeText(link)}>Copy</Button>
        <Button variant="contained" onClick={onClose}>
          Done
        </Button>
      </DialogActions>
    </Dialog>
  );
}
