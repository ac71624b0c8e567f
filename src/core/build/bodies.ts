/** A body in plan: from here to there, so thick; in holes. */
export interface BodyLine {
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
  readonly radius: number;
}

/** Whether two bodies would lie on one another. */
export function collide(one: BodyLine, other: BodyLine): boolean {
  const room = one.radius + other.radius;
  return (
    !areApart(one.x1, one.x2, other.x1, other.x2, room) &&
    !areApart(one.y1, one.y2, other.y1, other.y2, room) &&
    lineDistance(one, other) < room
  );
}

/** Whether two stretches of an axis, each between two ends, are so far apart; cheaper than their distance. */
const areApart = (a1: number, a2: number, b1: number, b2: number, room: number) =>
  Math.max(a1, a2) + room <= Math.min(b1, b2) || Math.max(b1, b2) + room <= Math.min(a1, a2);

type Line = Omit<BodyLine, 'radius'>;

/** How far two straight pieces are apart at their nearest; 0 where they cross. */
function lineDistance(one: Line, other: Line): number {
  if (cross(one, other)) return 0;
  return Math.min(
    pointDistance(one.x1, one.y1, other),
    pointDistance(one.x2, one.y2, other),
    pointDistance(other.x1, other.y1, one),
    pointDistance(other.x2, other.y2, one),
  );
}

function pointDistance(x: number, y: number, { x1, y1, x2, y2 }: Line): number {
  const [dx, dy] = [x2 - x1, y2 - y1];
  const squared = dx * dx + dy * dy;
  const share = squared === 0 ? 0 : Math.max(0, Math.min(1, ((x - x1) * dx + (y - y1) * dy) / squared));
  return Math.hypot(x - x1 - share * dx, y - y1 - share * dy);
}

const side = (x: number, y: number, { x1, y1, x2, y2 }: Line) =>
  Math.sign((x2 - x1) * (y - y1) - (y2 - y1) * (x - x1));

function cross(one: Line, other: Line): boolean {
  return (
    side(one.x1, one.y1, other) * side(one.x2, one.y2, other) < 0 &&
    side(other.x1, other.y1, one) * side(other.x2, other.y2, one) < 0
  );
}
