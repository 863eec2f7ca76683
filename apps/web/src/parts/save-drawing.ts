import type { ReactElement } from 'react';
import { saveBlob } from './save-file.ts';

/** Letters, digits and hyphens of a name, for a file. */
const fileName = (name: string) =>
  name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '') || 'card';

/** The drawing as text; the renderer is only loaded when somebody saves. */
async function markup(card: ReactElement): Promise<string> {
  const { renderToStaticMarkup } = await import('react-dom/server');
  return renderToStaticMarkup(card);
}

export async function saveAsSvg(name: string, card: ReactElement): Promise<void> {
  saveBlob(new Blob([await markup(card)], { type: 'image/svg+xml' }), `${fileName(name)}.svg`);
}

/** Paper as it is bought where lengths are spoken of so. */
export type Paper = 'A4' | 'LETTER';

export const paperFor = (units: 'imperial' | 'metric'): Paper => (units === 'imperial' ? 'LETTER' : 'A4');

/** Drawings one after another on pages of a paper, as many as fit on each. */
export async function saveAsPdf(name: string, cards: readonly ReactElement[], paper: Paper): Promise<void> {
  const drawings = await Promise.all(cards.map(markup));
  await savePdf(
    name,
    paper,
    drawings.map((svg) => ({ svg, width: 520, margin: [0, 0, 0, 10] })),
  );
}

/** A document of paragraphs, lists and drawings, as pdfmake takes them. */
export async function savePdf(name: string, paper: Paper, content: readonly object[]): Promise<void> {
  const [{ default: pdfMake }, { default: fonts }] = await Promise.all([
    import('pdfmake/build/pdfmake'),
    import('pdfmake/build/vfs_fonts'),
  ]);
  pdfMake.addVirtualFileSystem(fonts);
  const pdf = pdfMake.createPdf({
    pageSize: paper,
    pageMargins: [36, 36, 36, 36],
    info: { title: name },
    content,
  });
  saveBlob(await pdf.getBlob(), `${fileName(name)}.pdf`);
}

/** Width of a picture that is sent to somebody, pixels. */
const PNG_PX = 2000;

/** The drawing as a picture of dots. @param aspect its width over its height */
export async function saveAsPng(name: string, card: ReactElement, aspect: number): Promise<void> {
  const [width, height] = aspect >= 1 ? [PNG_PX, PNG_PX / aspect] : [PNG_PX * aspect, PNG_PX];
  const text = (await markup(card)).replace('<svg ', `<svg width="${width}" height="${height}" `);
  const picture = new Image();
  picture.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(text)}`;
  await picture.decode();
  const paper = document.createElement('canvas');
  paper.width = Math.round(width);
  paper.height = Math.round(height);
  paper.getContext('2d')?.drawImage(picture, 0, 0, paper.width, paper.height);
  const blob = await new Promise<Blob | null>((done) => paper.toBlob(done, 'image/png'));
  if (blob) saveBlob(blob, `${fileName(name)}.png`);
}
