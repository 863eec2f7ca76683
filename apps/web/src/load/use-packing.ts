import type { PackingState } from '@early-lantern/contract';
import { useMutation, useQuery } from '@tanstack/react-query';
import { ApiProblem, call } from '../api/client.ts';
import { keys, queryClient } from '../api/queries.ts';
import { useNotice } from '../parts/notices.tsx';

const none: PackingState = { ticks: [], departure: null };

/** Looked at again so often: somebody else may be ticking too, ms. */
const AGAIN_MS = 5_000;

type Change =
  | { what: 'tick'; rows: string[]; by: string }
  | { what: 'untick'; rows: string[] }
  | { what: 'depart'; by: string; reason?: string }
  | { what: 'stay' };

const send = (jobId: string, { what, ...body }: Change): Promise<PackingState> => {
  const at = `/jobs/${jobId}/packing`;
  switch (what) {
    case 'tick':
      return call('PUT', `${at}/ticks`, body);
    case 'untick':
      return call('POST', `${at}/untick`, body);
    case 'depart':
      return call('PUT', `${at}/departure`, body);
    case 'stay':
      return call('DELETE', `${at}/departure`);
  }
};

/** What a change makes of the ticks, shown before the server has answered. */
function ahead(state: PackingState, change: Change): PackingState {
  if (change.what === 'untick')
    return { ...state, ticks: state.ticks.filter(({ row }) => !change.rows.includes(row)) };
  if (change.what !== 'tick') return state;
  const at = new Date().toISOString();
  const known = new Set(state.ticks.map(({ row }) => row));
  const by = change.by as PackingState['ticks'][number]['by'];
  const more = change.rows.filter((row) => !known.has(row)).map((row) => ({ row, by, at }));
  return { ...state, ticks: [...state.ticks, ...more] };
}

/** The ticks of a job's packing list, kept on the server; shown at once, taken back where they could not be kept. */
export function usePacking(jobId: string) {
  const notify = useNotice();
  const queryKey = keys.packing(jobId);
  const state =
    useQuery({
      queryKey,
      queryFn: () => call<PackingState>('GET', `/jobs/${jobId}/packing`),
      refetchInterval: AGAIN_MS,
    }).data ?? none;
  const { mutate } = useMutation({
    mutationFn: (change: Change) => send(jobId, change),
    scope: { id: `packing ${jobId}` },
    onMutate: async (change) => {
      await queryClient.cancelQueries({ queryKey });
      queryClient.setQueryData<PackingState>(queryKey, (now = none) => ahead(now, change));
    },
    onSuccess: (now) => queryClient.setQueryData(queryKey, now),
    onError: (error) => {
      const why =
        error instanceof ApiProblem ? error.problem.faults?.map(({ reason }) => reason).join('; ') : '';
      notify({ text: why ? `Not kept: ${why}` : `Not kept. ${error.message}` });
      void queryClient.invalidateQueries({ queryKey });
    },
  });
  return { state, change: mutate };
}
