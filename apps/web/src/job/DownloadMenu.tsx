import { Button, Menu, MenuItem } from '@mui/material';
import { type ReactNode, useState } from 'react';
import { useSavedFile } from './saved-file.ts';

interface DownloadMenuProps {
  icon: ReactNode;
  files: readonly { label: string; href: string }[];
}

/** Files that the server makes of the job on screen, saved first. */
export function DownloadMenu({ icon, files }: DownloadMenuProps) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  const download = useSavedFile();
  return (
    <>
      <Button
        variant="outlined"
        startIcon={icon}
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        Download
      </Button>
      <Menu open={anchor !== undefined} anchorEl={anchor ?? null} onClose={() => setAnchor(undefined)}>
        {files.map(({ label, href }) => (
          <MenuItem
            key={href}
            component="a"
            href={href}
            download
            onClick={(event) => {
              event.preventDefault();
              setAnchor(undefined);
              download(href);
            }}
          >
            {label}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
