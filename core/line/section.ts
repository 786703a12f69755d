import { type End, type EndCode, type EndProfile, endProfile, type Piece, type Point, parseEnd, tubeById } from '../ends/index.ts';
import { type BranchEnd, branchWidthIn, drawBranch, type LineBranch } from './branch.ts';
import { heldBy, overlap } from './meet.ts';

/** The run as a section: upper halves to be mirrored about y = 0; inches, water side at x = 0. */
export interface LineSection {
  pieces: (Piece & { part: string | null })[];
  /** The bore, piece by piece. */
  water: { x0: number; x1: number; radius: number }[];
  /** `y`: 0 on the axis, above it on a branch; `radius`: as far as what stands there reaches. */
  joints: { n: number; x: number; y: number; radius: number }[];
  /** What stands on the line's parts beside the way of the water. */
  branches: LineBranch[];
  /** Where each thing stands: a part by its id, or one of the two ends found on site. */
  spans: { part: string | null; side: 'from' | 'to' | null; x0: number; x1: number }[];
  /** Where a long line is broken. */
  breaks: { x: number; radius: number }[];
  x0: number;
  x1: number;
  radius: number;
  /** As far as anything reaches above the axis. */
  above: number;
}

/** One thing of the run as the water meets it. */
export interface LinePart {
  part: string;
  inCode: EndCode;
  outCode: EndCode;
  /** A hose or tube: drawn broken. */
  line: 'braided' | 'tube' | null;
  lengthIn: number;
  /** Its ends that the water does not go through. */
  branches?: BranchEnd[];
}

const SITE_BODY_IN = 0.5;
const BROKEN_IN = 2.6;
const SLEEVE_IN = 0.5;

/** Bore of a hose's insert as a share of the hose's own (typical). */
const INSERT_SHARE = 0.8;

/** Draws the line from the water side to the appliance; `parts` may be empty, when the two ends meet. */
export function lineSection(from: EndCode, parts: LinePart[], to: EndCode): LineSection {
  const out = emptySection();
  let opening = siteStub(out, parseEnd(from), 1, 0);
  let outEnd = parseEnd(from);
  parts.forEach((part, i) => {
    const inEnd = parseEnd(part.inCode);
    const start = opening - overlap(outEnd, inEnd);
    joint(out, i + 1, outEnd, inEnd, opening, start);
    opening = drawPart(out, part, start);
    outEnd = parseEnd(part.outCode);
  });
  const last = parseEnd(to);
  const start = opening - overlap(outEnd, last);
  joint(out, parts.length + 1, outEnd, last, opening, start);
  siteStub(out, last, -1, start);
  return bounded(out);
}

export function emptySection(): LineSection {
  return { pieces: [], water: [], joints: [], branches: [], spans: [], breaks: [], x0: 0, x1: 0, radius: 0, above: 0 };
}

/** Measures what was drawn. */
export function bounded(out: LineSection): LineSection {
  const xs = out.pieces.flatMap((p) => p.points.map(([x]) => x));
  out.x0 = Math.min(...xs);
  out.x1 = Math.max(...xs);
  out.radius = Math.max(...out.pieces.flatMap((p) => p.points.map(([, y]) => y)));
  out.above = Math.max(out.radius, ...out.branches.map((b) => b.top));
  return out;
}

/** Right-facing ends keep their coordinates, left-facing ones are mirrored. */
function place(points: Point[], opening: number, facing: 1 | -1): Point[] {
  return points.map(([x, y]) => [opening + facing * x, y]);
}

/** What is found on site: the end with some of its body behind it. Returns where it opens. */
export function siteStub(out: LineSection, end: End, facing: 1 | -1, opening: number): number {
  const p = endProfile(end);
  const tail = p.lengthIn + SITE_BODY_IN;
  const outline: Point[] = [...p.outer, [-tail, p.bodyRadiusIn], [-tail, p.boreRadiusIn], ...[...p.inner].reverse()];
  out.pieces.push({ points: place(outline, opening, facing), material: p.material, part: null });
  for (const e of p.extra) out.pieces.push({ points: place(e.points, opening, facing), material: e.material, part: null });
  const ends = [opening, opening - facing * tail].sort((a, b) => a - b) as [number, number];
  out.water.push({ x0: ends[0], x1: ends[1], radius: p.boreRadiusIn });
  out.spans.push({ part: null, side: facing === 1 ? 'from' : 'to', x0: ends[0], x1: ends[1] });
  return opening;
}

/** Draws a part with its inlet opening at `start`; returns where its outlet opens. */
function drawPart(out: LineSection, part: LinePart, start: number): number {
  const [inEnd, outEnd] = [parseEnd(part.inCode), parseEnd(part.outCode)];
  const insert =
    part.line === 'braided' ? hoseRadius(part).inner * INSERT_SHARE : Math.min(endProfile(inEnd).boreRadiusIn, endProfile(outEnd).boreRadiusIn);
  const left = endProfile(inEnd, insert);
  const right = endProfile(outEnd, insert);
  const branches = part.line ? [] : (part.branches ?? []);
  const beside = branches.reduce((sum, b) => sum + branchWidthIn(b), 0);
  const middle = part.line ? BROKEN_IN : Math.max(beside, Math.min(1, Math.max(0.16, part.lengthIn - left.lengthIn - right.lengthIn)));
  const end = start + left.lengthIn + middle + right.lengthIn;
  const block = Math.max(left.bodyRadiusIn, right.bodyRadiusIn) + 0.02;
  const bore = Math.min(left.boreRadiusIn, right.boreRadiusIn);
  const push = (points: Point[], material: Piece['material']) => out.pieces.push({ points, material, part: part.part });
  if (part.line) brokenLine(out, part, left, right, start, end, push);
  else {
    push(
      [
        ...place(left.outer, start, -1),
        [start + left.lengthIn, block],
        [end - right.lengthIn, block],
        ...place([...right.outer].reverse(), end, 1),
        ...place(right.inner, end, 1),
        [end - right.lengthIn, bore],
        [start + left.lengthIn, bore],
        ...place([...left.inner].reverse(), start, -1),
      ],
      left.material === 'plastic' && right.material === 'plastic'
        ? 'plastic'
        : left.material === 'copper' && right.material === 'copper'
          ? 'copper'
          : 'brass',
    );
  }
  let at = start + left.lengthIn + (middle - beside) / 2;
  for (const branch of branches) {
    const width = branchWidthIn(branch);
    out.branches.push(drawBranch(branch, { x: at + width / 2, block, bore, part: part.part }));
    if (branch.joint !== null) out.joints.push(jointOn(out.branches.at(-1) as LineBranch, branch.joint));
    at += width;
  }
  for (const e of left.extra) push(place(e.points, start, -1), e.material);
  for (const e of right.extra) push(place(e.points, end, 1), e.material);
  const [a, b] = [start + left.lengthIn, end - right.lengthIn];
  const through = part.line === 'braided' ? hoseRadius(part).inner : bore;
  out.water.push({ x0: start, x1: a, radius: left.boreRadiusIn }, { x0: a, x1: b, radius: through }, { x0: b, x1: end, radius: right.boreRadiusIn });
  out.spans.push({ part: part.part, side: null, x0: start, x1: end });
  return end;
}

/** Outside of a braided hose by its ends' size: typical. */
function hoseRadius(part: LinePart): { outer: number; inner: number } {
  const id =
    part.inCode.includes('1/4') || part.outCode.includes('1/4') ? 'braid-ice' : part.inCode.startsWith('ght') ? 'braid-wash' : 'braid-faucet';
  const hose = tubeById(id);
  return { outer: (hose?.odIn ?? 0.5) / 2, inner: (hose?.idIn ?? 0.3) / 2 };
}

function brokenLine(
  out: LineSection,
  part: LinePart,
  left: EndProfile,
  right: EndProfile,
  start: number,
  end: number,
  push: (points: Point[], material: Piece['material']) => void,
): void {
  const [a, b] = [start + left.lengthIn, end - right.lengthIn];
  const tubeRadius = { outer: left.bodyRadiusIn, inner: left.boreRadiusIn };
  const hose = part.line === 'braided' ? hoseRadius(part) : tubeRadius;
  const stub = (p: EndProfile, at: number, facing: 1 | -1) => push(place([...p.outer, ...[...p.inner].reverse()], at, facing), p.material);
  stub(left, start, -1);
  stub(right, end, 1);
  const box = (x0: number, x1: number, r0: number, r1: number): Point[] => [
    [x0, r0],
    [x0, r1],
    [x1, r1],
    [x1, r0],
  ];
  if (part.line === 'braided') {
    push(box(a, a + SLEEVE_IN, left.boreRadiusIn, hose.outer + 0.05), 'steel');
    push(box(b - SLEEVE_IN, b, right.boreRadiusIn, hose.outer + 0.05), 'steel');
    push(box(a + SLEEVE_IN, b - SLEEVE_IN, hose.inner, hose.outer), 'braid');
  } else {
    push(box(a, b, hose.inner, hose.outer), left.material);
  }
  out.breaks.push({ x: (a + b) / 2, radius: hose.outer + 0.08 });
}

/** Marks a joint, and draws the loose nut, ferrule or ring that holds a tube. */
function joint(out: LineSection, n: number, a: End, b: End, openingA: number, openingB: number): void {
  const [pa, pb] = [endProfile(a), endProfile(b)];
  const reach = [pa, pb].flatMap((p) => [...p.outer, ...p.extra.flatMap((e) => e.points)].map(([, y]) => y));
  out.joints.push({ n, x: (openingA + openingB) / 2, y: 0, radius: Math.max(...reach) });
  const [facing, mouth] = b.kind === 'tube' ? ([1, openingA] as const) : ([-1, openingB] as const);
  for (const held of heldBy(a, b)) out.pieces.push({ ...held, points: place(held.points, mouth, facing), part: null });
}

const jointOn = (branch: LineBranch, n: number) => ({ n, x: branch.x, y: branch.opening, radius: branch.top });
