import type { SurveyQuestion } from '@early-lantern/core';

/** Names one question of a survey in an address. */
export const questionKey = ({ id, spotId }: Pick<SurveyQuestion, 'id' | 'spotId'>): string =>
  `${spotId ?? ''}/${id}`;

/** The page of a site, its survey opened at one question. */
export const surveyLink = (siteId: string, question: Pick<SurveyQuestion, 'id' | 'spotId'>): string =>
  `/sites/${siteId}?ask=${encodeURIComponent(questionKey(question))}`;
