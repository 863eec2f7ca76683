import type { ColourId, ColourShare } from '@early-lantern/contract';
import type { MixProps } from './mix-props.ts';
import { withShareOf } from './shares.ts';

/** What can be done to the colours of a mix; each is worked out from the shares as they are by then. */
export function useColourMix(onChange: MixProps['onChange']) {
  const change = (edit: (now: readonly ColourShare[]) => ColourShare[], gesture?: string) =>
    onChange((now) => ({ colours: edit(now.colours) }), gesture);
  const at = (now: readonly ColourShare[], id: string) => now.findIndex(({ colour }) => colour === id);
  /** One share changed, the others as they are. */
  const changeOne = (id: string, edit: (share: ColourShare) => ColourShare, gesture?: string) =>
    change((now) => now.map((share) => (share.colour === id ? edit(share) : share)), gesture);
  return {
    setShare: (id: string, sharePct: number, gesture?: string) =>
      change((now) => (at(now, id) < 0 ? [...now] : withShareOf(now, at(now, id), sharePct)), gesture),
    remove: (id: string) =>
      change((now) =>
        (at(now, id) < 0 ? [...now] : withShareOf(now, at(now, id), 0)).filter(({ colour }) => colour !== id),
      ),
    /** Another colour in its place, share and lean kept. */
    replace: (id: string, colour: ColourId) => changeOne(id, (share) => ({ ...share, colour })),
    setLean: (id: string, lean: number) => changeOne(id, (share) => ({ ...share, lean }), `lean-${id}`),
    setSingly: (id: string, on: boolean) =>
      changeOne(id, ({ singly: _, ...rest }) => (on ? { ...rest, singly: true } : rest)),
    setSizes: (id: string, inSizes: ColourShare['inSizes']) =>
      changeOne(id, ({ inSizes: _, ...rest }) => (inSizes ? { ...rest, inSizes } : rest)),
    add: (id: string) =>
      change((now) =>
        withShareOf([...now, { colour: id, sharePct: 0 }], now.length, Math.round(100 / (now.length + 1))),
      ),
  };
}
