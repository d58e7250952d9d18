/**
 * Straight line through points, flat beyond the ends.
 *
 * @param points x0, y0, x1, y1, ... by rising x
 */
export function along(points: readonly number[], x: number): number {
  const last = points.length - 2;
  if (x <= (points[0] ?? 0)) return points[1] ?? 0;
  for (let i = 2; i <= last; i += 2) {
    const x1 = points[i] ?? 0;
    if (x > x1) continue;
    const x0 = points[i - 2] ?? 0;
    const y0 = points[i - 1] ?? 0;
    return y0 + (((points[i + 1] ?? 0) - y0) * (x - x0)) / (x1 - x0);
  }
  return points[last + 1] ?? 0;
}
