import type { JobFile, LampName } from '@early-lantern/contract';
import { surveyWalk } from '@early-lantern/core';
import { Box, Typography } from '@mui/material';
import { SurveyLink } from './SurveyLink.tsx';

/** What of the job's place nobody has asked yet that a lamp depends on, each linked to its question. */
export function SurveyGaps({ file, lamp }: { file: JobFile; lamp: LampName }) {
  const { site, job } = file;
  const spots = new Set(job.pieces.map(({ spotId }) => spotId));
  const open = surveyWalk(site).filter(
    ({ isAnswered, lamps, spotId }) =>
      !isAnswered && lamps.includes(lamp) && (spotId === undefined || spots.has(spotId)),
  );
  if (open.length === 0) return null;
  return (
    <Box component="section" aria-label="Still to ask" sx={{ mt: 2 }}>
      <Typography sx={{ fontWeight: 650 }}>Still to ask at {site.name}</Typography>
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {open.map((question) => (
          <li key={question.ask}>
            <SurveyLink file={file} question={question}>
              {question.ask}
            </SurveyLink>
          </li>
        ))}
      </Box>
    </Box>
  );
}
