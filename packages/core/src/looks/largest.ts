/** A balloon hides where less of its own disc is seen from the front than this. From memory. */
const HIDES = 0.5;

/**
 * Of the largest balloons those that hide behind others, seen from the front.
 * @param owner which balloon is seen in each cell of a picture
 * @param radii of the balloons, m
 * @param isLargest which of them are to face the front
 * @returns their indices
 */
export function hiddenLargest(
  owner: Int32Array,
  cellM: number,
  radii: Float64Array,
  isLargest: (index: number) => boolean,
): number[] {
  const cells = new Int32Array(radii.length);
  for (const index of owner) if (index >= 0) cells[index] = (cells[index] as number) + 1;
  const hidden: number[] = [];
  radii.forEach((r, i) => {
    const seen = ((cells[i] as number) * cellM * cellM) / (Math.PI * r * r);
    if (isLargest(i) && seen < HIDES) hidden.push(i);
  });
  return hidden;
}
