import type { SizeShare } from '@early-lantern/contract';
import { type MixProps, usedIn } from './mix-props.ts';
import { withShareOf } from './shares.ts';

/** What can be done to the sizes of a mix; each is worked out from the shares as they are by then. */
export function useSizeMix(onChange: MixProps['onChange']) {
  const change = (edit: (now: readonly SizeShare[]) => SizeShare[], gesture?: string) =>
    onChange((now) => ({ sizes: edit(now.sizes) }), gesture);
  const at = (now: readonly SizeShare[], nominalIn: number) =>
    now.findIndex((size) => size.nominalIn === nominalIn);
  const shared = (now: readonly SizeShare[], nominalIn: number, sharePct: number) =>
    at(now, nominalIn) < 0 ? [...now] : withShareOf(now, at(now, nominalIn), sharePct);
  return {
    setShare: (nominalIn: number, sharePct: number, gesture?: string) =>
      change((now) => shared(now, nominalIn, sharePct), gesture),
    setRange: (nominalIn: number, edit: Partial<SizeShare['inflatedIn']>) =>
      change((now) =>
        now.map((size) => {
          if (size.nominalIn !== nominalIn) return size;
          const { min, max } = { ...size.inflatedIn, ...edit };
          return { ...size, inflatedIn: { min: Math.min(min, max), max: Math.max(min, max) } };
        }),
      ),
    remove: (nominalIn: number) =>
      change((now) => shared(now, nominalIn, 0).filter((size) => size.nominalIn !== nominalIn)),
    /** A size more, half as much as its even share; every colour comes in it. */
    add: (nominalIn: number, inflatedIn: SizeShare['inflatedIn']) =>
      onChange(({ sizes, colours }) => ({
        sizes: withShareOf(
          [...sizes, { nominalIn, sharePct: 0, inflatedIn: { ...inflatedIn } }],
          sizes.length,
          Math.round(50 / (sizes.length + 1)),
        ),
        colours: usedIn(colours, nominalIn),
      })),
  };
}
