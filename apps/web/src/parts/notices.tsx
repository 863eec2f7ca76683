import { Button, Snackbar } from '@mui/material';
import { createContext, type ReactNode, useCallback, useContext, useState } from 'react';

interface Notice {
  text: string;
  /** Takes back what the notice tells of. */
  undo?: () => void;
}

const NoticeContext = createContext<((notice: Notice) => void) | undefined>(undefined);

/** Tells what was done, with its undo where there is one. */
export function useNotice(): (notice: Notice) => void {
  const notify = useContext(NoticeContext);
  if (!notify) throw new Error('useNotice needs a NoticeProvider above it');
  return notify;
}

export function NoticeProvider({ children }: { children: ReactNode }) {
  const [notice, setNotice] = useState<Notice>();
  const close = useCallback(() => setNotice(undefined), []);
  return (
    <NoticeContext value={setNotice}>
      {children}
      <Snackbar
        key={notice?.text}
        open={notice !== undefined}
        autoHideDuration={notice?.undo ? 12_000 : 5_000}
        onClose={(_, reason) => reason !== 'clickaway' && close()}
        message={notice?.text}
        action={
          notice?.undo && (
            <Button
              color="inherit"
              sx={{ minHeight: 48, minWidth: 72 }}
              onClick={() => {
                notice.undo?.();
                close();
              }}
            >
              Undo
            </Button>
          )
        }
      />
    </NoticeContext>
  );
}
