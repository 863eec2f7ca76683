const THEME = 'data-theme';

/** Paper is white: whatever the screen shows, the light colours are printed, and the screen's own come back. */
export function printInLight(): void {
  const root = document.documentElement;
  let shown: string | null = null;
  window.addEventListener('beforeprint', () => {
    shown = root.getAttribute(THEME);
    root.setAttribute(THEME, 'light');
  });
  window.addEventListener('afterprint', () => {
    if (shown !== null) root.setAttribute(THEME, shown);
  });
}
