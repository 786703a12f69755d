/** A shop to which anything may happen: entries of every kind and change, by several devices, most of them good, sent in whatever batches. */
import { v7 as uuidv7 } from 'uuid';
import { defaultRules } from '../core/house/rules.ts';
import { BODIES } from './bodies.testing.ts';
import type { BookEntry, SubjectKind } from './book/entry.ts';
import { readSentBook } from './book/shape.ts';
import { subjects } from './book/subjects.ts';
import { type Entry, type EntryKind, kinds } from './kinds.ts';
import { acceptedOf, HOSES } from './run/testing.ts';
import { readSent } from './shape.ts';

export type Any = Entry | BookEntry;

/** What becomes of a batch of one sort, entry by entry. */
export type Take = (batch: { isBook: boolean; entries: Any[] }, now: Date) => Promise<{ status: string; rule?: string }[]>;

type Body = Record<string, unknown>;

interface Device {
  id: string;
  /** How far its clock is off, ms. */
  offMs: number;
  seq: number;
  waiting: Any[];
}

const T0 = Date.UTC(2026, 3, 14, 8);
const ITEMS = ['hose', 'long hose', 'elbow'];
const DAYS = ['2026-04-14', '2026-04-15', '2026-04-20'];
const ROUNDS = ['before', 'crack', 'standing', 'working', 'next-day'] as const;

export class RandomShop {
  private readonly ids: Record<SubjectKind, string[]>;
  private readonly partIds = new Map<string, string>();
  private readonly devices: Device[];
  private readonly said: Any[] = [];
  private minute = 0;
  /** What came of what was sent, by 'kept visit run-added' and the like. */
  readonly tally = new Map<string, number>();

  constructor(
    readonly shopId: string,
    private readonly chance: () => number,
    private readonly take: Take,
    private readonly makeId: () => string = uuidv7,
  ) {
    const of = (kind: SubjectKind) => (kind === 'shop' || kind === 'rules' ? [shopId] : []);
    this.ids = Object.fromEntries(subjects.map((s) => [s.name, of(s.name)])) as Record<SubjectKind, string[]>;
    this.devices = [0, 3_600_000, -7_200_000].map((offMs) => ({ id: this.makeId(), offMs, seq: 0, waiting: [] }));
  }

  below = (n: number): number => Math.floor(this.chance() * n);
  pick = <T>(list: readonly T[]): T => list[this.below(list.length)] as T;

  get now(): Date {
    return new Date(T0 + this.minute * 60_000);
  }

  /** A house to begin with, so that what comes finds something. */
  async begin(): Promise<void> {
    const [device] = this.devices as [Device];
    for (const [kind, change] of [
      ['premises', 'made'],
      ['place', 'made'],
      ['appliance', 'made'],
      ['run', 'made'],
      ['run', 'made'],
      ['visit', 'made'],
      ['stock', 'place-made'],
    ] as const) {
      this.book(device, kind, change);
    }
    for (let i = 0; i < 2; i++) this.book(device, 'visit', 'run-added');
    await this.send(device, device.waiting.length);
  }

  /** Something happens, or something that happened is sent. */
  async step(): Promise<unknown> {
    this.minute += this.below(9);
    const device = this.pick(this.devices);
    if (this.chance() < 0.3) return this.send(device, 1 + this.below(6));
    if (this.chance() < 0.12) return this.again(device);
    if (this.chance() < 0.5) this.run(device);
    else {
      const subject = this.pick(subjects);
      this.book(device, subject.name, this.pick(Object.keys(subject.changes)));
    }
    return null;
  }

  /** All that waits is sent. */
  async end(): Promise<void> {
    for (const device of this.devices) while (device.waiting.length > 0) await this.send(device, 1 + this.below(6));
  }

  private stamp(device: Device) {
    device.seq += 1;
    const seenAt = new Date(this.now.getTime() + device.offMs).toISOString();
    return { id: this.makeId(), deviceId: device.id, personId: null, seq: device.seq, seenAt, sentAt: null, recordedAt: null, correctsId: null };
  }

  private keep(device: Device, entry: Any): unknown {
    device.waiting.push(entry);
    return this.said.push(entry);
  }

  /** Corrects or takes back something, now and then something that is not there. */
  private again(device: Device): unknown {
    const wrong = this.pick(this.said);
    if (!wrong) return null;
    const correctsId = wrong.id;
    const isBook = 'subject' in wrong;
    const takesBack = this.chance() < 0.6;
    const { id: _i, deviceId: _d, seq: _s, seenAt: _a, sentAt: _t, recordedAt: _r, ...of } = wrong;
    if (isBook) {
      const body = takesBack ? { reason: 'pressed wrongly' } : this.bookBody(wrong.subject.kind, wrong.change, wrong.subject.id, wrong.body);
      const change = takesBack ? 'withdrawn' : wrong.change;
      return this.keep(device, { ...this.stamp(device), subject: wrong.subject, change, body, correctsId });
    }
    const target = takesBack ? { jointId: null, checkPointId: null } : {};
    const said = takesBack ? { kind: 'withdrawn', body: { reason: 'pressed wrongly' } } : { kind: wrong.kind, body: wrong.body };
    return this.keep(device, { ...of, ...target, ...this.stamp(device), ...said, correctsId } as Entry);
  }

  private book(device: Device, kind: SubjectKind, change: string): void {
    const makes = change === 'made' || change === 'place-made' || (kind === 'part' && change === 'set' && this.chance() < 0.5);
    const id = makes || this.ids[kind].length === 0 ? this.makeId() : this.pick(this.ids[kind]);
    if (!this.ids[kind].includes(id)) this.ids[kind].push(id);
    this.keep(device, { ...this.stamp(device), subject: { kind, id }, change, body: this.bookBody(kind, change, id) });
  }

  private some = (kind: SubjectKind): string => (this.ids[kind].length > 0 ? this.pick(this.ids[kind]) : this.makeId());

  /** A body of a change; `before` keeps what ties it to another subject. */
  bookBody(kind: SubjectKind, change: string, id: string, before?: Body): Body {
    const reason = this.pick(['not needed', 'the owner wants it so']);
    const item = this.pick(ITEMS);
    const quantity = this.below(9);
    const premisesId = (before?.premisesId as string) ?? this.some('premises');
    const made: Partial<Record<SubjectKind, () => Body>> = {
      premises: () => ({
        name: this.pick(['Lodge', 'Dome']),
        timeZone: this.pick(['UTC', 'Europe/Vienna']),
        contact: { name: 'Keeper', phone: '555' },
      }),
      place: () => ({ premisesId, name: this.pick(['Kitchen', 'Bath']) }),
      appliance: () => ({ premisesId, placeId: this.some('place'), kind: 'toilet', name: this.pick(['Toilet', 'Other toilet']) }),
      run: () => ({ applianceId: (before?.applianceId as string) ?? this.some('appliance'), water: 'cold', name: `Line ${this.below(4)}`, checkPoints: [{ id: this.chance() < 0.9 ? this.makeId() : this.some('run'), kind: 'stem', name: 'Stop stem' }] }), // biome-ignore format: one row
      visit: () => ({ premisesId, onDate: this.pick(DAYS), startsAt: this.pick(['09:00', '10:30']), title: this.pick(['Drip', 'New hose']), ...(this.chance() < 0.3 ? { vanId: this.some('stock') } : {}) }), // biome-ignore format: one row
      'follow-up': () => ({
        premisesId,
        ...(this.chance() < 0.4 ? { runId: this.some('run') } : {}),
        text: 'Look at the stop',
        dueOn: this.pick(DAYS),
      }),
    };
    const bodies: Record<string, () => Body> = {
      ...Object.fromEntries(Object.entries(made).map(([of, make]) => [`${of} made`, make as () => Body])),
      'premises changed': () =>
        this.pick([{ access: 'Ring twice' }, { contact: { name: 'Other', phone: '556' } }, { name: 'Hill lodge' }, { timeZone: 'Asia/Tokyo' }]),
      'premises contact-erased': () => ({}),
      'premises water-drawn': () => ({ things: [{ what: 'place', id: 's', kind: 'source', heightFt: 0 }, { what: 'place', id: 'x', kind: 'outlet', heightFt: 3 }, { what: 'valve', id: 'v', a: 's', b: 'x', kind: 'quarter-turn', condition: 'works' }] }), // biome-ignore format: one row
      'premises valve-tried': () => ({ valve: 'v', condition: this.pick(['works', 'passes']) }),
      'premises water-gone': () => ({ things: ['v'], reason }),
      'place changed': () => ({ name: this.pick(['Pantry', 'Hall']) }),
      'appliance changed': () => ({ name: this.pick(['Guest toilet', 'Staff toilet']) }),
      'appliance moved': () => ({ placeId: this.some('place') }),
      'run changed': () => ({ name: this.pick(['Cold line', 'Line']) }),
      'visit changed': () =>
        this.pick([{ onDate: this.pick(DAYS) }, { title: 'Two drips' }, { vanId: this.some('stock') }, { note: 'ladder' }, { minutes: 45 }]),
      'visit run-added': () => ({ runId: (before?.runId as string) ?? this.some('run'), work: this.pick(['toilet-line', 'toilet-line', 'toilet-line', 'stop-replace', 'toilet-remove']), ...(this.chance() < 0.2 ? { told: [{ side: 'from', end: 'comp-3/8-m' }] } : {}) }), // biome-ignore format: one row
      'visit run-removed': () => ({ runId: this.some('run'), reason }),
      'visit ordered': () => ({ runIds: [this.some('run')] }),
      'visit arrived': () => ({}),
      'visit left': () => ({}),
      'visit pictured': () => ({ picture: 'a'.repeat(64), type: 'image/png', width: 4, height: 4 }),
      'visit noted': () => ({ text: 'The floor is soft' }),
      'visit signed': () => ({ name: 'A. Keeper', picture: 'b'.repeat(64), type: 'image/png', width: 4, height: 4 }),
      'follow-up changed': () => ({ dueOn: this.pick(DAYS) }),
      'follow-up closed': () => ({ reason, ...(this.chance() < 0.4 ? { visitId: this.some('visit') } : {}) }),
      'stock place-made': () => ({ name: this.pick(['Van', 'Shelf', 'Small van']), kind: this.pick(['van', 'van', 'shelf']) }),
      'stock received': () => ({ item, quantity: quantity + 1, reason }),
      'stock used': () => ({ item, quantity: quantity + 1, reason }),
      'stock thrown': () => ({ item, quantity: quantity + 1, reason }),
      'stock moved': () => ({ item, quantity: quantity + 1, toId: this.some('stock') }),
      'stock counted': () => ({ item, quantity }),
      'stock minimum-set': () => ({ item, quantity }),
      'shop changed': () =>
        this.pick([{ name: 'Valley plumbing' }, { currency: 'EUR' }, { units: 'metric' }, { timeZone: 'Europe/Vienna' }, { minuteCents: 120 }]),
      'shop word-told': () => ({ word: this.pick(['gizmo', 'b nut']), means: this.pick(['3/8 comp stop', '1/2 fip nut', null]) }),
      'rules changed': () => ({ rules: this.pick([{ threadSealant: 'paste' }, { push: 'never' }, { recheckHours: 48 }, { turns: { washer: 0.25 } }, { dueMonths: { stop: 6 } }, { dueMonths: null }]), reason }), // biome-ignore format: one row
      'part set': () => ({ row: partRowOf(this.partId(id), this.below(900)), place: this.below(20) }),
      'part removed': () => ({}),
    };
    return (bodies[`${kind} ${change}`] ?? (() => ({ reason })))();
  }

  /** What is set under one subject stays the same part. */
  private partId(subjectId: string): string {
    const known = this.partIds.get(subjectId) ?? this.pick(['own-hose', 'own-stop', 'braid-toilet-12', `own-${this.partIds.size}`]);
    this.partIds.set(subjectId, known);
    return known;
  }

  private run(device: Device): unknown {
    const listed = this.said.flatMap((e) =>
      'subject' in e && e.change === 'run-added' ? [{ visitId: e.subject.id, runId: e.body.runId as string }] : [],
    );
    const of = listed.length > 0 && this.chance() < 0.9 ? this.pick(listed) : { visitId: this.some('visit'), runId: this.some('run') };
    const own = this.said.filter((e): e is Entry => 'runId' in e && e.visitId === of.visitId && e.runId === of.runId);
    const accepted = own.filter((e) => e.kind === 'chain-accepted');
    const say = (kind: EntryKind, body: unknown, target: { jointId?: string; checkPointId?: string } = {}) =>
      this.keep(device, { ...of, jointId: null, checkPointId: null, ...target, ...this.stamp(device), kind, body } as Entry);
    const last = accepted.at(-1);
    if (!last || this.chance() < 0.08) {
      const chosen = acceptedOf(this.pick(HOSES), last?.id ?? null);
      return say('chain-accepted', {
        ...chosen,
        jointIds: chosen.chain.joints.map(() => this.makeId()),
        rules: { ...defaultRules, threadSealant: this.pick(['tape', 'paste']) },
      });
    }
    const jointId = this.pick(last.body.jointIds);
    const what = this.chance();
    if (what < 0.3) return say('joint-made', { turns24: this.below(24) }, { jointId });
    if (what < 0.45) return say('look-begun', { round: this.pick(ROUNDS), method: 'tissue' }, { jointId });
    const begun = own.filter((e) => e.kind === 'look-begun');
    if (what < 0.6 && begun.length > 0) {
      const look = this.pick(begun);
      const target = look.jointId ? { jointId: look.jointId } : {};
      return say('look-ended', { begunId: look.id, finding: this.pick(['dry', 'dry', 'damp']), drops: null, elapsedS: 60 * this.below(40) }, target);
    }
    if (what < 0.7) {
      const stage = (name: string) => ({ stage: name, reason: 'nobody was there to look' });
      return say('signed-off', { targetMlPerDay: 10, recheckHours: 24, exceptions: ['look', 'match', 'shut', 'make', 'prove'].map(stage) });
    }
    const kind = this.pick(kinds.filter((k) => k.name !== 'chain-accepted' && k.name !== 'withdrawn'));
    const atJoint = kind.about === 'joint' || kind.about === 'joint or check point' || (kind.about === 'anything' && this.chance() < 0.5);
    return say(kind.name, BODIES[kind.name as keyof typeof BODIES], atJoint ? { jointId } : {});
  }

  /** Sends so many of what waits, as the border reads them: those of a sort that follow on each other together. */
  private async send(device: Device, many: number): Promise<void> {
    const batch = device.waiting.splice(0, many);
    const sentAt = new Date(this.now.getTime() + device.offMs).toISOString();
    while (batch.length > 0) {
      const isBook = 'subject' in batch[0]!;
      const end = batch.findIndex((e) => 'subject' in e !== isBook);
      const sent = batch.splice(0, end === -1 ? batch.length : end).map((e) => JSON.parse(JSON.stringify({ ...e, sentAt })));
      const read = sent.map((raw) => (isBook ? readSentBook(raw) : readSent(raw)));
      const good = read.flatMap((r) => (r.ok ? [r.entry] : []));
      const answers = await this.take({ isBook, entries: good as Any[] }, this.now);
      for (const [i, r] of read.entries()) if (!r.ok) this.count(sent[i], `unread ${r.at} ${r.why}`);
      for (const [i, answer] of answers.entries()) this.count(good[i]!, answer.status === 'refused' ? `refused ${answer.rule}` : answer.status);
    }
  }

  private count(entry: Any, came: string): void {
    const what = 'subject' in entry ? `${entry.subject.kind} ${entry.change}` : 'kind' in entry ? entry.kind : '';
    const key = `${what}: ${came}`;
    this.tally.set(key, (this.tally.get(key) ?? 0) + 1);
  }
}

/** A row of a parts file. */
const partRowOf = (id: string, cents: number): Record<string, string> => ({
  id,
  name: `Hose ${cents % 3}`,
  kind: 'connector',
  ends: 'a=comp-3/8-f@either b=npsm-1/2-f@either',
  flexible: 'yes',
  cut_to_length: 'no',
  length_in: '17',
  waters: 'cold hot',
  max_psi: '125',
  max_f: '140',
  potable: 'yes',
  price_cents: String(cents),
  minutes: '5',
  tags: 'hose',
  van: '0',
});
