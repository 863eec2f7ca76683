import type { Role } from '@early-lantern/contract';

export const roleWords: Record<Role, { name: string; may: string }> = {
  owner: { name: 'Owner', may: 'Everything, also pay and prices, backups, and who may come in.' },
  lead: { name: 'Lead', may: 'Plans jobs and places, counts stock. Sees no pay and no prices.' },
  helper: { name: 'Helper', may: 'Sees jobs and run sheets, ticks what is packed, adds photos.' },
  viewer: { name: 'Viewer', may: 'Sees jobs and run sheets, changes nothing.' },
};
