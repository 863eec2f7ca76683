import type { SurveyQuestion } from '@early-lantern/core';

/** Names one question of a survey in an address. */
export const questionKey = ({ id, spotId }: Pick<SurveyQuestion, 'id' | 'spotId'>): string =>
  `${spotId ?? ''}/${id}`;

/** The page of a site, its survey opened at one question. */
export const surveyLink = (siteId: string, question: Pick<SurveyQuestion, 'id' | 'spotId'>): string =>
  `/sites/${siteId}?ask=${encodeURIComponent(questionKey(question))}`;

/** The page of a job that a survey was opened from, to go back to. */
export interface CameFrom {
  name: string;
  to: string;
}

/** Where a survey was opened from, as its link said; undefined where it was not from a job. */
export function cameFrom(state: unknown): CameFrom | undefined {
  const { from } = (state ?? {}) as { from?: CameFrom };
  return from;
}
