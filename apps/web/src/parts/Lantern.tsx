import type { LampState } from '@early-lantern/contract';
import { useId } from 'react';
import { AMBER } from '../theme.ts';

/** What a state is called where shape and light are not seen. */
export const stateWord: Record<LampState, string> = {
  lit: 'lit',
  low: 'low',
  out: 'out',
  unlit: 'not known yet',
};

interface LanternProps {
  state: LampState;
  /** Height in pixels. */
  size?: number;
}

/**
 * The lantern: full flame, low flame under its mark, crossed and dark, or three dots for not known. The state shows by
 * shape first; amber only where there is light.
 */
export function Lantern({ state, size = 44 }: LanternProps) {
  const glow = useId();
  const isDark = state === 'out';
  return (
    <svg
      viewBox="0 0 40 56"
      height={size}
      width={(size * 40) / 56}
      aria-hidden="true"
      style={{ display: 'block' }}
    >
      <defs>
        <radialGradient id={glow} cx="50%" cy="56%" r="52%">
          <stop offset="0" stopColor={AMBER} stopOpacity={state === 'lit' ? 0.55 : 0.22} />
          <stop offset="1" stopColor={AMBER} stopOpacity="0" />
        </radialGradient>
      </defs>
      <path
        d="M20 1v5M13.500 12c0-4.500 3-6.500 6.500-6.500S26.500 7.500 26.500 12"
        fill="none"
        stroke="currentColor"
        strokeWidth="2"
        strokeLinecap="round"
      />
      <path d="M12 11.500h16l2.500 4.500h-21z" fill="currentColor" />
      <path
        d="M10.500 16.500C7 22 6 27 6 31s1.200 9 4.500 14h19C32.800 40 34 35 34 31s-1-9-4.500-14.500z"
        fill={isDark ? 'currentColor' : 'var(--mui-palette-background-paper)'}
        fillOpacity={isDark ? 0.14 : 1}
        stroke="currentColor"
        strokeWidth="2"
        strokeOpacity={state === 'unlit' ? 0.55 : 1}
      />
      {(state === 'lit' || state === 'low') && (
        <path
          d="M10.500 16.500C7 22 6 27 6 31s1.200 9 4.500 14h19C32.800 40 34 35 34 31s-1-9-4.500-14.500z"
          fill={`url(#${glow})`}
        />
      )}
      {state === 'lit' && (
        <>
          <path
            d="M20 18.500c1 5 7.500 9 7.500 16.200a7.500 7.500 0 0 1-15 0C12.500 30 15 28 16 25.500c.8 1 1.200 2 1.300 3.200 2-2.500 3-6 2.700-10.200z"
            fill={AMBER}
          />
          <path
            d="M20.300 31c1 2.200 3.400 3.600 3.400 6.300a3.600 3.600 0 0 1-7.200 0c0-2.300 2.500-3.700 3.800-6.300z"
            fill="#ffe2a6"
          />
        </>
      )}
      {state === 'low' && (
        <>
          <path d="M11 27.500h18" stroke="currentColor" strokeWidth="1.400" strokeDasharray="2.200 2.200" />
          <path
            d="M20 33c2.300 2.600 3.300 4.200 3.300 6a3.300 3.300 0 0 1-6.600 0c0-1.800 1-3.400 3.300-6z"
            fill={AMBER}
          />
        </>
      )}
      {state === 'out' && (
        <path
          d="m14.500 25.500 11 11m0-11-11 11"
          stroke="var(--mui-palette-out)"
          strokeWidth="3.200"
          strokeLinecap="round"
        />
      )}
      {state === 'unlit' && (
        <g fill="currentColor">
          <circle cx="14" cy="31" r="1.700" />
          <circle cx="20" cy="31" r="1.700" />
          <circle cx="26" cy="31" r="1.700" />
        </g>
      )}
      <path d="M9 45.500h22l-2 4.500H11z" fill="currentColor" />
    </svg>
  );
}
