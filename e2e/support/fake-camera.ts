import { writeFile } from 'node:fs/promises';
import { create } from 'qrcode';

const [W, H] = [640, 480];
const FRAMES_A_SECOND = 5;
const BLACK = 16;
const WHITE = 235;

/** A picture of a code in the middle of a bright table: its brightness, row by row. ITU-R BT.601, 8 bits. */
function frameOf(text: string): Buffer {
  const { modules } = create(text, { errorCorrectionLevel: 'Q' });
  const each = Math.floor((H * 0.6) / modules.size);
  const [left, top] = [(W - each * modules.size) >> 1, (H - each * modules.size) >> 1];
  const bright = Buffer.alloc(W * H, WHITE);
  modules.data.forEach((isDark, i) => {
    if (!isDark) return;
    const [x, y] = [left + (i % modules.size) * each, top + Math.floor(i / modules.size) * each];
    for (let row = 0; row < each; row++) bright.fill(BLACK, (y + row) * W + x, (y + row) * W + x + each);
  });
  return Buffer.concat([Buffer.from('FRAME\n'), bright, Buffer.alloc((W * H) / 2, 128)]);
}

/** What a camera sees that is held before one label after the other, over and over, as a YUV4MPEG2 file. */
export async function cameraSees(path: string, codes: readonly string[], seconds: number): Promise<void> {
  const frames = codes.flatMap((code) => Array(seconds * FRAMES_A_SECOND).fill(frameOf(code)) as Buffer[]);
  const head = Buffer.from(`YUV4MPEG2 W${W} H${H} F${FRAMES_A_SECOND}:1 Ip A1:1 C420\n`);
  await writeFile(path, Buffer.concat([head, ...frames]));
}

/** How a browser is started so that its camera sees a file, and may be used unasked. */
export const seeing = (path: string): string[] => [
  '--use-fake-ui-for-media-stream',
  '--use-fake-device-for-media-stream',
  `--use-file-for-fake-video-capture=${path}`,
];
