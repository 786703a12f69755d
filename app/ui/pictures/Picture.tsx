import { useEffect, useState } from 'react';
import { sync } from '../../../sync/run.ts';

interface Props {
  id: string;
  /** What it shows, in words. */
  text: string;
  className?: string;
}

/** A small picture that opens the whole one: from the server, or from this device where it was taken. */
export function Picture({ id, text, className = '' }: Props) {
  const [own, setOwn] = useState<{ small: string; whole: string | null } | null>(null);
  const [isMissing, setMissing] = useState(false);
  useEffect(() => {
    const made: string[] = [];
    let isOver = false;
    const urlOf = (blob: Blob) => {
      made.push(URL.createObjectURL(blob));
      return made.at(-1)!;
    };
    const read = async () => {
      const kept = await sync.device().then((store) => store.pictures.get(id));
      if (!kept || isOver) return;
      const whole = kept.content && urlOf(new Blob([kept.content], { type: kept.type }));
      const small = kept.small ? urlOf(kept.small) : whole;
      if (small) setOwn({ small, whole });
    };
    read().catch(() => {
      // As the server has it.
    });
    return () => {
      isOver = true;
      for (const url of made) URL.revokeObjectURL(url);
    };
  }, [id]);
  const whole = own?.whole ?? `/api/v1/pictures/${id}`;
  if (isMissing && !own)
    return (
      <p className={`grid place-items-center border border-dashed border-rule p-3 text-soft ${className}`}>
        {text}: still on its way from the device that took it
      </p>
    );
  return (
    <a href={whole} target="_blank" rel="noopener" className={`block border border-rule bg-sheet ${className}`}>
      <img
        src={own?.small ?? `/api/v1/pictures/${id}/small`}
        alt={text}
        className="size-full object-contain"
        loading="lazy"
        onError={() => setMissing(true)}
      />
    </a>
  );
}
