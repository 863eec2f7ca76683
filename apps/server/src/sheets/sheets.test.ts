import type { StockRow } from '@early-lantern/contract';
import ExcelJS from 'exceljs';
import { demoJob, type TestServer, testServer } from '../test/server.ts';

let server: TestServer;
beforeEach(async () => {
  server = await testServer();
  await server.call('POST', '/job-files', demoJob('01-meadow-finish'));
});
afterEach(() => server.end());

const csv = (text: string) => ({ format: 'csv', content: Buffer.from(text).toString('base64') });
const stock = async (): Promise<StockRow[]> => (await server.call('GET', '/workshop')).body.data.stock;

/** The bytes of an export. */
async function download(path: string): Promise<Buffer> {
  const reply = await server.app.inject({ url: `/api/v1${path}`, headers: { host: 'localhost' } });
  expect(reply.statusCode).toBe(200);
  return reply.rawPayload;
}

test.each(['stock', 'catalogue'])(
  '%s goes out and comes in again as CSV and as a spreadsheet, changing nothing',
  async (name) => {
    const before = (await server.call('GET', '/workshop')).body.data;
    for (const format of ['csv', 'xlsx']) {
      const file = await download(`/sheets/${name}.${format}`);
      const upload = { format, content: file.toString('base64') };
      const preview = await server.call('POST', `/sheets/${name}/preview`, upload);
      expect(preview.status).toBe(200);
      expect(preview.body.faults).toBe(0);
      expect(new Set(preview.body.rows.map((row: { change: string }) => row.change))).toEqual(
        new Set(['same']),
      );
      expect((await server.call('POST', `/sheets/${name}`, upload)).status).toBe(200);
    }
    expect((await server.call('GET', '/workshop')).body.data).toEqual(before);
    const kinds = (await server.call('GET', '/stock/movements?limit=100')).body.items;
    expect(new Set(kinds.map((row: { kind: string }) => row.kind))).toEqual(new Set(['opening']));
  },
);

test('a column that is not there changes nothing; a doubled one, and an unknown supplier, are told', async () => {
  const { data } = (await server.call('GET', '/workshop')).body;
  const [one] = data.colours.filter((colour: { supplierId?: string }) => colour.supplierId);
  const { name } = data.suppliers.find(({ id }: { id: string }) => id === one.supplierId);
  const line = `${one.id},Chalk é,${one.hex}`;
  expect((await server.call('POST', '/sheets/catalogue', csv(`id,name,shade\n${line}\n`))).status).toBe(200);
  const after = (await server.call('GET', '/workshop')).body.data.colours;
  expect(after).toContainEqual({ ...one, name: 'Chalk é' });
  // A supplier by its name is that supplier.
  const named = csv(`id,name,shade,supplier\n${line},${name}\n`);
  expect((await server.call('POST', '/sheets/catalogue/preview', named)).body.rows[0]).toMatchObject({
    change: 'same',
    faults: [],
  });
  const unknown = csv(`id,name,shade,supplier\n${line},Nobody\n`);
  expect((await server.call('POST', '/sheets/catalogue/preview', unknown)).body.rows[0].faults).toEqual([
    'supplier: no supplier "Nobody" in the workshop',
  ]);
  const twice = await server.call(
    'POST',
    '/sheets/stock',
    csv('size_in,colour,on_hand,on_hand\n11,chalk,7,9\n'),
  );
  expect(twice.body.faults).toEqual([{ path: 'line 1', reason: 'column "on_hand" stands twice' }]);
  // Accents reach a spreadsheet: UTF-8 with its mark.
  expect((await download('/sheets/catalogue.csv')).subarray(0, 3)).toEqual(Buffer.from([0xef, 0xbb, 0xbf]));
});

test('a preview tells new, changed and faulty lines apart; any error cancels the import', async () => {
  const before = await stock();
  const upload = csv(
    'size_in,colour,on_hand\n11,chalk,7\n3,chalk,12\n11,mauve,4\n5,oat,-2\n11,chalk,9\nbig,oat,1\n\n',
  );
  const { body } = await server.call('POST', '/sheets/stock/preview', upload);
  expect(
    body.rows.map((row: { line: number; change: string; faults: string[] }) => [
      row.line,
      row.change,
      row.faults.length,
    ]),
  ).toEqual([
    [2, 'changed', 0],
    [3, 'new', 0],
    [4, 'new', 1],
    [5, 'new', 1],
    [6, 'changed', 1],
    [7, 'new', 1],
  ]);
  const refusal = await server.call('POST', '/sheets/stock', upload);
  expect(refusal.status).toBe(422);
  expect(refusal.body.faults.map((fault: { path: string }) => fault.path)).toEqual([
    'line 4',
    'line 5',
    'line 6',
    'line 7',
  ]);
  expect(await stock()).toEqual(before);
});

test('a sound sheet is taken: the shelf changes, the ledger says from what; other rows stay', async () => {
  const before = await stock();
  const reply = await server.call(
    'POST',
    '/sheets/stock',
    csv('colour;size_in;on_hand\nchalk;11;7\nchalk;3;12\n'),
  );
  expect(reply.status).toBe(200);
  const after = await stock();
  expect(after).toHaveLength(before.length + 1);
  expect(after.find((row) => row.nominalIn === 3)).toEqual({ nominalIn: 3, colour: 'chalk', onHand: 12 });
  const ledger = (await server.call('GET', '/stock/movements?limit=2')).body.items;
  expect(ledger.map((row: { note: string }) => row.note)).toEqual(['from a sheet', 'from a sheet']);
});

test('what is no sheet, or lacks a column, is refused with the reason', async () => {
  const broken = { format: 'xlsx', content: Buffer.from('no').toString('base64') };
  expect((await server.call('POST', '/sheets/stock/preview', broken)).body.faults[0].reason).toContain(
    'no spreadsheet',
  );
  const short = await server.call('POST', '/sheets/stock/preview', csv('size_in,farbe\n11,chalk\n'));
  expect(short.body.faults.map((fault: { reason: string }) => fault.reason)).toEqual([
    'no column "colour"',
    'no column "on_hand"',
    'unknown column "farbe"',
  ]);
});

test('a new colour from a spreadsheet: text stays text, formulas are not let out', async () => {
  const sheet = 'id,name,shade,finish,sizes_in,loss_pct,exposure\ndusk,Dusk,#5B4A7A,mirror,5 11,7.5,=1+1\n';
  expect((await server.call('POST', '/sheets/catalogue', csv(sheet))).status).toBe(200);
  const { body } = await server.call('GET', '/workshop');
  expect(body.data.colours.at(-1)).toEqual({
    id: 'dusk',
    name: 'Dusk',
    hex: '#5b4a7a',
    finish: 'mirror',
    sizesIn: [5, 11],
    lossPct: 7.5,
    exposure: '=1+1',
  });
  const book = new ExcelJS.Workbook();
  await book.xlsx.load((await download('/sheets/catalogue.xlsx')) as unknown as ArrayBuffer);
  const last = book.worksheets[0]?.lastRow;
  expect(last?.getCell(10).value).toBe("'=1+1");
});

test('the buy list of a job as a file names what is short', async () => {
  await server.call('POST', '/sheets/stock', csv('size_in,colour,on_hand\n11,chalk,0\n'));
  const text = (await download('/jobs/meadow-finish/buy.csv?today=2027-06-10')).toString();
  expect(text.split('\r\n')[0]).toBe(
    '\uFEFForder_by,supplier,product,colour,missing,packs,balloons,over,price,jobs',
  );
  expect(text).toMatch(/2027-06-15,Ferry Lane Supply,11 in\.,Chalk,\d+,\d x \d+/);
});

test('numbers are read as people write them or refused; what a spreadsheet would run is kept text', async () => {
  const preview = async (cell: string) => {
    const { body } = await server.call(
      'POST',
      '/sheets/stock/preview',
      csv(`size_in,colour,on_hand\n11,chalk,"${cell}"\n`),
    );
    return body.rows[0] as { faults: string[] };
  };
  for (const cell of ['0x10', '1e2', '2,00,0'])
    expect([cell, (await preview(cell)).faults.length]).toEqual([cell, 1]);
  await server.call('POST', '/sheets/stock', csv('size_in,colour,on_hand\n11,chalk,"2,000"\n'));
  expect((await stock()).find((row) => row.nominalIn === 11 && row.colour === 'chalk')?.onHand).toBe(2000);
  const text = (id: string, exposure: string) =>
    csv(
      `id,name,shade,finish,sizes_in,grade,loss_pct,supplier,lab,exposure\n${id},Mist,#aabbcc,,,,,,,"${exposure}"\n`,
    );
  for (const [id, exposure] of [
    ['mist', '-1+1'],
    ['fog', '=1+1'],
  ] as const) {
    expect((await server.call('POST', '/sheets/catalogue', text(id, exposure))).status).toBe(200);
    const sheet = (await download('/sheets/catalogue.csv')).toString();
    expect(sheet).toContain(`'${exposure}`);
  }
});

test('one stray cell, a file that unpacks without end, and a cell without end are refused', async () => {
  const sent = async (fill: (sheet: ExcelJS.Worksheet) => void) => {
    const book = new ExcelJS.Workbook();
    const sheet = book.addWorksheet('stock');
    sheet.addRow(['size_in', 'colour', 'on_hand']);
    sheet.addRow([11, 'chalk', 7]);
    fill(sheet);
    const content = Buffer.from(await book.xlsx.writeBuffer()).toString('base64');
    const { status, body } = await server.call('POST', '/sheets/stock/preview', { format: 'xlsx', content });
    expect(JSON.stringify(body).length).toBeLessThan(5000);
    return [status, body.faults?.[0]?.reason ?? body.faults];
  };
  expect(await sent(() => {})).toEqual([200, 0]);
  const stray = await sent((sheet) => {
    sheet.getCell('A1048576').value = 5;
  });
  expect(stray).toEqual([422, expect.stringContaining('row 1,048,576')]);
  const wide = await sent((sheet) => {
    for (let i = 0; i < 2000; i++) sheet.addRow([11, 'a'.repeat(30_000), i]);
  });
  expect(wide).toEqual([422, expect.stringMatching(/^it unpacks to \d+ MB$|characters$/)]);
  const long = await server.call(
    'POST',
    '/sheets/stock/preview',
    csv(`size_in,colour,on_hand\n11,${'a'.repeat(100_000)},3\n`),
  );
  expect(long.status).toBe(422);
  const many = await server.call(
    'POST',
    '/sheets/stock/preview',
    csv(`size_in,colour,on_hand\n${'11,chalk,3\n'.repeat(30_000)}`),
  );
  expect(many.body.faults[0].reason).toBe('more than 20,000 rows');
  const garbage = await server.call('POST', '/sheets/stock/preview', {
    format: 'xlsx',
    content: Buffer.from('no archive').toString('base64'),
  });
  expect(garbage.body.faults[0].reason).toBe('this is no spreadsheet (.xlsx)');
});
