import ExpandIcon from '@mui/icons-material/ExpandMore';
import { Accordion, AccordionDetails, AccordionSummary, Typography } from '@mui/material';
import type { ReactNode } from 'react';

interface HowCardProps {
  title: string;
  isOpen: boolean;
  children: ReactNode;
}

/** Something about a task, opened where it is wanted. */
export function HowCard({ title, isOpen, children }: HowCardProps) {
  return (
    <Accordion
      variant="outlined"
      disableGutters
      defaultExpanded={isOpen}
      slotProps={{ heading: { component: 'h2' }, transition: { unmountOnExit: true } }}
    >
      <AccordionSummary expandIcon={<ExpandIcon />} sx={{ minHeight: 56 }}>
        <Typography component="span" sx={{ fontSize: '1.125rem', fontWeight: 650 }}>
          {title}
        </Typography>
      </AccordionSummary>
      <AccordionDetails>{children}</AccordionDetails>
    </Accordion>
  );
}
