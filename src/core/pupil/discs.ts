/** Share of a disc of radius R that a disc of radius r at distance d leaves: the lens of two circles. */
export function twoDiscs(R: number, r: number, d: number): number {
  if (d >= R + r) return 0;
  if (d <= r - R) return 1;
  if (d <= R - r) return (r * r) / (R * R);
  const a = Math.acos(clamp((d * d + R * R - r * r) / (2 * d * R)));
  const b = Math.acos(clamp((d * d + r * r - R * R) / (2 * d * r)));
  const area = R * R * (a - Math.sin(2 * a) / 2) + r * r * (b - Math.sin(2 * b) / 2);
  return area / (Math.PI * R * R);
}

/** Share of a disc of radius R that lies on the near side of a straight edge at distance d. */
export function discAndEdge(R: number, d: number): number {
  if (d >= R) return 1;
  if (d <= -R) return 0;
  const a = Math.acos(clamp(-d / R));
  return (a - Math.sin(2 * a) / 2) / Math.PI;
}

export function clamp(x: number): number {
  return x > 1 ? 1 : x < -1 ? -1 : x;
}
