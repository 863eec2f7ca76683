import type { Workshop } from '@early-lantern/contract';
import type { Database } from '../db/database.ts';
import { changeHouse } from '../db/locks.ts';
import { crewRows } from '../db/rows.ts';
import { addSettings } from '../workshop/store.ts';

const { crew, ...settings }: Workshop = {
  name: 'My workshop',
  isNew: true,
  units: 'imperial',
  // Until the first start has asked: the server's own zone says nothing of the owner's.
  timeZone: 'UTC',
  rates: {},
  spareTargetPct: 97,
  inHandTargetMin: 30,
  colours: [
    { id: 'chalk', name: 'Chalk', hex: '#efeadf' },
    { id: 'lagoon', name: 'Lagoon', hex: '#1f6f73' },
    { id: 'brick', name: 'Brick', hex: '#c8644d' },
    { id: 'slate', name: 'Slate', hex: '#2b4a63' },
  ],
  stock: [],
  inflators: [{ id: 'inflator', name: 'Inflator', nozzles: 2 }],
  vehicles: [{ id: 'vehicle', name: 'Vehicle', seats: 3 }],
  crew: [
    {
      id: 'me',
      name: 'Me',
      skills: ['lead', 'driver', 'ladder', 'tying'],
      shift: { from: '07:00', to: '20:00' },
    },
  ],
};

/** The least a business consists of, for a start without demo data: one person, one inflator, one vehicle. */
export async function addNewWorkshop(db: Database, name = settings.name): Promise<void> {
  await changeHouse(db, async (tx) => {
    await addSettings(tx, { ...settings, name });
    for (const member of crew) await crewRows.add(tx, member);
  });
}
