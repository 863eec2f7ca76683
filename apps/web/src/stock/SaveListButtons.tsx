import { Button } from '@mui/material';

interface SaveListButtonsProps {
  /** Where the server makes the list, by its format. */
  addressOf: (format: 'csv' | 'xlsx') => string;
  /** What downloads it, where something has to be saved before. */
  onDownload?: ((address: string) => void) | undefined;
}

/** A list of things to buy as a file. */
export function SaveListButtons({ addressOf, onDownload }: SaveListButtonsProps) {
  return (['csv', 'xlsx'] as const).map((format) => (
    <Button
      key={format}
      size="small"
      variant="outlined"
      component="a"
      href={addressOf(format)}
      download
      onClick={(event) => {
        if (!onDownload) return;
        event.preventDefault();
        onDownload(addressOf(format));
      }}
    >
      {format === 'csv' ? 'Save as CSV' : 'Save as spreadsheet'}
    </Button>
  ));
}
