/** Height of the figure that stands beside the pieces, metres: 5 ft 8 in. */
export const PERSON_M = 1.7272;

/** A standing figure for size, feet at 0,0, in metres. */
export function Person() {
  // Drawn in a box 1000 high with the feet at the bottom.
  return (
    <g
      transform={`scale(${PERSON_M / 1000}) translate(-150 -1000)`}
      fill="#5b6274"
      opacity="0.42"
      aria-hidden="true"
    >
      <ellipse cx="150" cy="72" rx="56" ry="70" />
      <path d="M128 130h44v36c52 8 92 26 104 66 12 52 20 168 16 258-1 26-36 28-38 2l-10-170-8 40c2 90 6 130 2 214l-14 380c-1 34-52 34-54 0l-14-330h-12l-14 330c-2 34-53 34-54 0l-14-380c-4-84 0-124 2-214l-8-40-10 170c-2 26-37 24-38-2-4-90 4-206 16-258 12-40 52-58 104-66z" />
    </g>
  );
}
