import DownloadIcon from '@mui/icons-material/Download';
import { DownloadMenu } from '../job/DownloadMenu.tsx';

/** The packing list and the load as files. */
export function PackingFiles({ jobId }: { jobId: string }) {
  const at = `/api/v1/jobs/${jobId}`;
  return (
    <DownloadMenu
      icon={<DownloadIcon />}
      files={[
        { label: 'Packing list (CSV)', href: `${at}/packing/csv` },
        { label: 'Packing list (spreadsheet)', href: `${at}/packing/xlsx` },
        { label: 'Load plan (JSON)', href: `${at}/load.json` },
      ]}
    />
  );
}
