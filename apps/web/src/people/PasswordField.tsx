import HideIcon from '@mui/icons-material/VisibilityOffOutlined';
import ShowIcon from '@mui/icons-material/VisibilityOutlined';
import { IconButton, InputAdornment, TextField, type TextFieldProps } from '@mui/material';
import { useState } from 'react';

/** A password, which can be looked at while it is typed and may be pasted (OWASP ASVS 4, V2.1.11 and V2.1.12). */
export function PasswordField(props: TextFieldProps) {
  const [isShown, setShown] = useState(false);
  return (
    <TextField
      {...props}
      type={isShown ? 'text' : 'password'}
      slotProps={{
        input: {
          endAdornment: (
            <InputAdornment position="end">
              <IconButton
                aria-label={isShown ? 'Hide the password' : 'Show the password'}
                edge="end"
                onClick={() => setShown(!isShown)}
              >
                {isShown ? <HideIcon /> : <ShowIcon />}
              </IconButton>
            </InputAdornment>
          ),
        },
      }}
    />
  );
}
