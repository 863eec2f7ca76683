import type { PieceActualRow, Plan, SiteEntry } from '@early-lantern/contract';
import type { Happened } from './happened.ts';

const HOUR_MS = 3_600_000;

/**
 * What came of each piece: from when to when it stood, what popped of it, which faults were seen, and the strongest gust that was told while
 * it stood. What nobody ticked is left empty.
 *
 * @param log every entry, those taken back too: a fault that was mended is one all the same
 */
export function pieceRows(
  { pieces, tasks }: Pick<Plan, 'pieces' | 'tasks'>,
  happened: Happened,
  log: readonly SiteEntry[],
): PieceActualRow[] {
  return pieces.map(({ id, name, kind }) => {
    const own = tasks.filter(({ pieceId }) => pieceId === id);
    const records = (trip: 'set-up' | 'strike') =>
      own
        .filter((task) => task.place === 'site' && (trip === 'strike') === (task.trip === 'strike'))
        .map((task) => happened.tasks.get(task.id));
    const raised = records('set-up').map((record) => record?.untilMs ?? null);
    const stoodMs = raised.length > 0 && raised.every((ms) => ms !== null) ? Math.max(...raised) : null;
    const struck = records('strike').flatMap((record) => record?.fromMs ?? record?.untilMs ?? []);
    const downMs = struck.length > 0 ? Math.min(...struck) : null;
    const gusts = happened.winds
      .filter(({ at }) => stoodMs !== null && Date.parse(at) >= stoodMs)
      .filter(({ at }) => downMs === null || Date.parse(at) <= downMs)
      .map(({ event }) => event.gustMs);
    const faults = log.flatMap(({ event }) => {
      if (event.kind === 'looked' && event.piece === id && event.isFault) return [event.line];
      return event.kind === 'fault' && event.piece === id ? [event.text] : [];
    });
    return {
      pieceId: id,
      piece: name,
      kind,
      stoodFrom: stoodMs === null ? '' : new Date(stoodMs).toISOString(),
      downAt: downMs === null ? '' : new Date(downMs).toISOString(),
      heldHours:
        stoodMs === null || downMs === null || downMs < stoodMs
          ? null
          : Math.round(((downMs - stoodMs) / HOUR_MS) * 100) / 100,
      popped: happened.popped
        .filter(({ event }) => own.some((task) => task.id === event.task))
        .reduce((sum, { event }) => sum + event.count, 0),
      faults: [...new Set(faults)].join('; '),
      strongestGustMs: gusts.length > 0 ? Math.max(...gusts) : null,
    };
  });
}
