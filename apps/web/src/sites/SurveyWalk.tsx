import { Floor, type Site, type Spot, type SpotId } from '@early-lantern/contract';
import { type SurveyQuestion, surveyWalk } from '@early-lantern/core';
import { Box, Button, Chip, Paper, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import { CommitField } from '../parts/CommitField.tsx';
import { HoursField } from '../parts/HoursField.tsx';
import { LengthField } from '../parts/LengthField.tsx';
import { lampWords } from '../parts/lamp-words.ts';
import { ForbidsChips } from './ForbidsChips.tsx';
import type { MarkList } from './marks.ts';
import { questionKey as key } from './survey-link.ts';
import type { SiteChange } from './useSiteEdit.ts';
import { floorWords } from './words.ts';

interface SurveyWalkProps {
  site: Site;
  change: SiteChange;
  /** Opens the spot and puts a first mark of a list on it. */
  onMark: (spotId: SpotId, list: MarkList) => void;
  /** The question to begin with, by its key. */
  first?: string | undefined;
}

/** Asks for what is missing, one question at a time, in the order in which one walks in. */
export function SurveyWalk({ site, change, onMark, first }: SurveyWalkProps) {
  const walk = surveyWalk(site);
  const [passed, setPassed] = useState<ReadonlySet<string>>(new Set());
  const open = walk.filter((question) => !question.isAnswered);
  const asked = open.find((question) => key(question) === first && !passed.has(key(question)));
  const next = asked ?? open.find((question) => !passed.has(key(question))) ?? open[0];
  const done = walk.length - open.length;
  return (
    <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="Survey walk">
      <Stack direction="row" sx={{ alignItems: 'baseline', gap: 1, mb: 0.75 }}>
        <Typography variant="h2" sx={{ flexGrow: 1 }}>
          Survey walk
        </Typography>
        <Typography data-testid="walk-progress">
          {done} of {walk.length} answered
        </Typography>
      </Stack>
      <Box aria-hidden="true" sx={{ height: 5, borderRadius: 3, bgcolor: 'divider', mb: 1.5 }}>
        <Box
          sx={{
            height: 5,
            borderRadius: 3,
            bgcolor: 'text.primary',
            width: `${walk.length ? (100 * done) / walk.length : 100}%`,
          }}
        />
      </Box>
      {next ? (
        <Stack spacing={1.25} key={key(next)}>
          <Typography sx={{ fontSize: 18, fontWeight: 650 }}>{next.ask}</Typography>
          <Stack direction="row" sx={{ gap: 0.75, flexWrap: 'wrap', alignItems: 'center' }}>
            <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>Needed for:</Typography>
            {next.lamps.map((lamp) => (
              <Chip key={lamp} size="small" label={lampWords[lamp].word} />
            ))}
          </Stack>
          <Answer question={next} change={change} onMark={onMark} />
          {open.length > 1 && (
            <Button
              size="small"
              sx={{ alignSelf: 'start' }}
              onClick={() =>
                setPassed((before) => {
                  const skipped = new Set([...before, key(next)]);
                  return skipped.size >= open.length ? new Set() : skipped;
                })
              }
            >
              Later
            </Button>
          )}
        </Stack>
      ) : (
        <Typography sx={{ color: 'text.secondary' }}>
          Everything is asked. Answers can be changed below and on the drawing.
        </Typography>
      )}
    </Paper>
  );
}

interface AnswerProps extends Omit<SurveyWalkProps, 'site' | 'first'> {
  question: SurveyQuestion;
}

/** The way to answer a question: typed, chosen, or put on the drawing. */
function Answer({ question, change, onMark }: AnswerProps) {
  const { id, spotId } = question;
  const [chosen, setChosen] = useState<NonNullable<Site['forbids']>>([]);
  const loadIn = (edit: Partial<Site['loadIn']>) =>
    change((before) => ({ loadIn: { ...before.loadIn, ...edit } }));
  const spot = (edit: Partial<Spot>) =>
    change(({ spots }) => ({ spots: spots.map((one) => (one.id === spotId ? { ...one, ...edit } : one)) }));
  const said = (text: string, take: (text: string) => void) => {
    if (!text.trim()) return 'A few words, please';
    take(text.trim());
    return undefined;
  };
  switch (id) {
    case 'parking':
      return (
        <CommitField
          label="Parking"
          value=""
          onCommit={(text) => said(text, (parking) => loadIn({ parking }))}
        />
      );
    case 'access':
      return (
        <CommitField
          label="Way in"
          value=""
          onCommit={(text) => said(text, (access) => change(() => ({ access })))}
        />
      );
    case 'contact':
      return (
        <CommitField
          label="Contact"
          value=""
          onCommit={(text) => said(text, (contact) => change(() => ({ contact })))}
        />
      );
    case 'door':
      return (
        <LengthField
          label="Narrowest door"
          valueM={undefined}
          min={0.3}
          max={20}
          onCommit={(doorM) => loadIn({ doorM })}
        />
      );
    case 'lift':
      return <YesNo yes="There is a lift" no="Stairs only" onAnswer={(lift) => loadIn({ lift })} />;
    case 'forbids':
      return (
        <Stack spacing={1}>
          <ForbidsChips chosen={chosen} onChange={setChosen} />
          <Button
            variant="outlined"
            sx={{ alignSelf: 'start' }}
            onClick={() => change(() => ({ forbids: chosen }))}
          >
            {chosen.length ? 'These are forbidden' : 'Nothing of these'}
          </Button>
        </Stack>
      );
    case 'quiet':
      return (
        <HoursField
          none="No quiet hours"
          onNone={() => change(() => ({ quiet: null }))}
          onHours={(quiet) => change(() => ({ quiet }))}
        />
      );
    case 'floor':
      return (
        <Box sx={{ display: 'flex', gap: 0.75, flexWrap: 'wrap' }}>
          {Floor.options.map((floor) => (
            <Button key={floor} variant="outlined" onClick={() => spot({ floor })}>
              {floorWords[floor]}
            </Button>
          ))}
        </Box>
      );
    case 'sun':
      return (
        <HoursField
          none="No direct sun"
          onNone={() => spot({ sun: [] })}
          onHours={(hours) => spot({ sun: [hours] })}
        />
      );
    default:
      return (
        <YesNo
          yes="Put it on the drawing"
          no={id === 'regions' ? 'All of one surface' : 'There is none'}
          onAnswer={(isThere) => {
            if (!isThere) spot({ [id]: [] });
            else if (spotId) onMark(spotId, id);
          }}
        />
      );
  }
}

function YesNo({ yes, no, onAnswer }: { yes: string; no: string; onAnswer: (yes: boolean) => void }) {
  return (
    <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
      <Button variant="outlined" onClick={() => onAnswer(true)}>
        {yes}
      </Button>
      <Button variant="outlined" onClick={() => onAnswer(false)}>
        {no}
      </Button>
    </Stack>
  );
}
