import type { Queries } from '../db/database.ts';
import { workshop } from '../db/schema.ts';

/** A workshop of this installation. */
interface Listed {
  id: string;
  name: string;
}

/** The workshops of an installation. @param installation sees all rows */
export async function listWorkshops(installation: Queries): Promise<Listed[]> {
  const rows = await installation
    .select({ id: workshop.workshopId, data: workshop.data })
    .from(workshop)
    .orderBy(workshop.workshopId);
  return rows.map(({ id, data }) => ({ id, name: data.name }));
}

/** Whether several workshops use this installation: then whoever signs in says which. */
export async function areSeveral(installation: Queries): Promise<boolean> {
  const rows = await installation.select({ id: workshop.workshopId }).from(workshop).limit(2);
  return rows.length > 1;
}
