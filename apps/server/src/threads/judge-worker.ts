import type { JobFile, ToldLamps } from '@early-lantern/contract';
import { judgeJob } from '@early-lantern/core';
import { told } from '../lamps/told.ts';

/** What a job's lamps say, no way out tried. */
export default (file: JobFile): ToldLamps => told(judgeJob(file));
