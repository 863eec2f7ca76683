import { readTable } from '../sheets/read-table.ts';

export default readTable;
