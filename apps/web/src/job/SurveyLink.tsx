import type { JobFile } from '@early-lantern/contract';
import type { ReactNode } from 'react';
import { Link, useLocation } from 'react-router';
import { type CameFrom, surveyLink } from '../sites/survey-link.ts';

interface SurveyLinkProps {
  file: JobFile;
  question: Parameters<typeof surveyLink>[1];
  children: ReactNode;
}

/** To one question of the place of a job, with the way back to the page that it was asked from. */
export function SurveyLink({ file: { site, job }, question, children }: SurveyLinkProps) {
  const { pathname } = useLocation();
  const from: CameFrom = {
    name: job.name,
    to: pathname.startsWith(`/jobs/${job.id}`) ? pathname : `/jobs/${job.id}/pieces`,
  };
  return (
    <Link
      to={surveyLink(site.id, question)}
      state={{ from }}
      style={{ color: 'inherit', fontWeight: 'inherit' }}
    >
      {children}
    </Link>
  );
}
