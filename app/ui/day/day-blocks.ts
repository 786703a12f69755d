/** Visits of a day as blocks on its hours: from what this device holds, or from the server where it holds another day. */
import { useEffect, useState } from 'react';
import { daySheetOf, type PlannedVisit } from '../../../record/index.ts';
import { get } from '../../../sync/run.ts';
import type { ClientCatalogue } from '../held/index.ts';
import { useHeldVisits } from './use-day.ts';

export interface DayBlock {
  id: string;
  title: string;
  premises: string;
  startsAt: string;
  minutes: number;
  slow: number;
  status: PlannedVisit['status'];
}

interface Answer {
  visits: {
    id: string;
    title: string;
    premises: { name: string };
    startsAt: string;
    minutes: number;
    minutesSlow: number;
    status: DayBlock['status'];
  }[];
}

/** @returns null while neither the device nor the server has said */
export function useDayBlocks(catalogue: ClientCatalogue | null, day: string): DayBlock[] | null {
  const held = useHeldVisits(catalogue, day, day);
  const [asked, setAsked] = useState<{ day: string; blocks: DayBlock[] } | null>(null);
  const holds = held?.span != null && day >= held.span.from && day <= held.span.to;
  useEffect(() => {
    if (holds || !held) return;
    let isOver = false;
    get<Answer>(`/api/v1/visits?from=${day}&to=${day}`).then((answer) => {
      if (answer && !isOver) setAsked({ day, blocks: answer.visits.map((v) => ({ ...v, premises: v.premises.name, slow: v.minutesSlow })) });
    });
    return () => {
      isOver = true;
    };
  }, [day, holds, held]);
  if (holds && held && catalogue) return daySheetOf(day, held.visits, catalogue.places, new Date()).visits.map(blockOf);
  return asked?.day === day ? asked.blocks : null;
}

const blockOf = ({ visit, span, status }: PlannedVisit): DayBlock => ({
  id: visit.id,
  title: visit.title,
  premises: visit.premises.name,
  startsAt: visit.startsAt,
  minutes: span.minutes,
  slow: span.slow,
  status,
});
