import type { Task } from '@early-lantern/contract';
import ExpandIcon from '@mui/icons-material/ExpandMore';
import { Accordion, AccordionDetails, AccordionSummary, Box, Typography } from '@mui/material';
import type { TakenJob } from './kept-on-device.ts';

/** When everything stands and one looks at it. */
const LOOKING = new Set(['step-back', 'touch-up', 'look-again']);

/** How a piece is made, and what to look at when one steps back: opened where it is wanted. */
export function TaskHow({ task, taken: { plan } }: { task: Task; taken: TakenJob }) {
  const pieces = LOOKING.has(task.id) ? plan.pieces : plan.pieces.filter(({ id }) => id === task.pieceId);
  const cards = pieces.flatMap(({ id, name, steps, notes }) => {
    const lookOver = plan.full.pieces.find((one) => one.id === id)?.lookOver ?? [];
    return LOOKING.has(task.id)
      ? [{ title: `Look at: ${name}`, lines: lookOver }]
      : [
          { title: 'How it is made', lines: [...steps, ...notes] },
          { title: 'What to look at', lines: lookOver },
        ];
  });
  return (
    <Box>
      {cards
        .filter(({ lines }) => lines.length > 0)
        .map(({ title, lines }) => (
          <Accordion
            key={title}
            variant="outlined"
            disableGutters
            // What is looked at now stands open.
            defaultExpanded={LOOKING.has(task.id)}
            slotProps={{ heading: { component: 'h2' } }}
          >
            <AccordionSummary expandIcon={<ExpandIcon />} sx={{ minHeight: 56 }}>
              <Typography component="span" sx={{ fontSize: '1.125rem', fontWeight: 650 }}>
                {title}
              </Typography>
            </AccordionSummary>
            <AccordionDetails>
              <Box component="ol" sx={{ m: 0, pl: 3, fontSize: '1.0625rem', display: 'grid', gap: 0.75 }}>
                {lines.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </Box>
            </AccordionDetails>
          </Accordion>
        ))}
    </Box>
  );
}
