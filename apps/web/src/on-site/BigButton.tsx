import { Button, type ButtonProps } from '@mui/material';

/** Large enough for a thumb in a glove, as high as its words need. */
export function BigButton({ sx = {}, ...rest }: ButtonProps) {
  return (
    <Button
      variant="outlined"
      size="large"
      fullWidth
      {...rest}
      sx={[
        { minHeight: 56, fontSize: '1.125rem', fontWeight: 700, borderWidth: 2, lineHeight: 1.2 },
        ...(Array.isArray(sx) ? sx : [sx]),
      ]}
    />
  );
}
