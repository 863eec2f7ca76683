import { Button } from '@mui/material';

/** A list of things to buy as a file. @param addressOf where the server makes it, by its format */
export function SaveListButtons({ addressOf }: { addressOf: (format: 'csv' | 'xlsx') => string }) {
  return (
    <>
      <Button size="small" variant="outlined" component="a" href={addressOf('csv')} download>
        Save as CSV
      </Button>
      <Button size="small" variant="outlined" component="a" href={addressOf('xlsx')} download>
        Save as spreadsheet
      </Button>
    </>
  );
}
