/** Pages of the guide as they lie in the repository, in the order of the work. */
const texts = import.meta.glob<string>('../../../../docs/guide/*.md', {
  query: '?raw',
  import: 'default',
  eager: true,
});
const pictures = import.meta.glob<string>('../../../../docs/screenshots/*.png', {
  query: '?url',
  import: 'default',
  eager: true,
});

const nameOf = (path: string) => path.split('/').at(-1) ?? path;

export const guidePages = Object.entries(texts)
  .map(([path, text]) => ({
    id: nameOf(path).replace(/\.md$/, ''),
    title: /^# (.*)$/m.exec(text)?.[1] ?? nameOf(path),
    text,
  }))
  .sort((a, b) => (a.id < b.id ? -1 : 1));

/** Where a picture that a page shows is served. */
export const pictureAt = (href: string): string | undefined =>
  Object.entries(pictures).find(([path]) => nameOf(path) === nameOf(href))?.[1];
