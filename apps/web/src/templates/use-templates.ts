import type { Template, TemplateRow } from '@early-lantern/contract';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { call } from '../api/client.ts';
import { queryClient } from '../api/queries.ts';
import { useNotice } from '../parts/notices.tsx';

const TEMPLATES = ['templates'] as const;
const refresh = () => queryClient.invalidateQueries({ queryKey: TEMPLATES });

/** Templates of one sort, by name; none while they are read. */
export function useTemplates(what?: Template['what']): TemplateRow[] {
  const { data = [] } = useQuery({
    queryKey: TEMPLATES,
    queryFn: () => call<TemplateRow[]>('GET', '/templates'),
    staleTime: 60_000,
  });
  return data
    .filter((row) => what === undefined || row.data.what === what)
    .sort((a, b) => a.data.name.localeCompare(b.data.name));
}

/** Keeping and deleting templates, each with its way back. */
export function useTemplateActions() {
  const notify = useNotice();
  // The same ones while nothing changes: what is typed beside them must not wait for them.
  return useMemo(() => actions(notify), [notify]);
}

const offeredAt: Record<Template['what'], string> = { piece: 'Add a piece', job: 'New job' };

function actions(notify: ReturnType<typeof useNotice>) {
  const orTell = (work: Promise<unknown>) =>
    work.catch((error: Error) => notify({ text: `Not done: ${error.message}` })).then(refresh);
  const drop = ({ data, revision }: TemplateRow) =>
    call<TemplateRow>('DELETE', `/templates/${data.id}?revision=${revision}`);
  const add = (template: Template) => call<TemplateRow>('POST', '/templates', template);
  return {
    keep: (template: Template) =>
      orTell(
        add(template).then((row) =>
          notify({
            text: `“${template.name}” saved as a template. Find it under ${offeredAt[template.what]}.`,
            undo: () => void orTell(drop(row)),
          }),
        ),
      ),
    remove: (row: TemplateRow) =>
      orTell(
        drop(row).then(() =>
          notify({ text: `Template “${row.data.name}” deleted.`, undo: () => void orTell(add(row.data)) }),
        ),
      ),
    rename: ({ data, revision }: TemplateRow, name: string) =>
      orTell(call('PUT', `/templates/${data.id}`, { revision, data: { ...data, name } })),
  };
}
