import { useEffect, useState } from 'react';
import { sync } from '../../sync/run.ts';

interface Props {
  id: string;
  /** What it shows, in words. */
  text: string;
  className?: string;
}

/** A small picture that opens the whole one: from the server, or from this device where it was taken. */
export function Picture({ id, text, className = '' }: Props) {
  const [own, setOwn] = useState<{ url: string; isSent: boolean } | null>(null);
  const [isMissing, setMissing] = useState(false);
  useEffect(() => {
    let url = '';
    let isOver = false;
    const read = async () => {
      const kept = await sync.device().then((store) => store.pictures.get(id));
      const blob = kept?.small ?? (kept?.content ? new Blob([kept.content], { type: kept.type }) : null);
      if (!blob || isOver) return;
      url ||= URL.createObjectURL(blob);
      setOwn({ url, isSent: kept?.status === 'sent' });
    };
    const asRead = () => {
      read().catch(() => {});
    };
    asRead();
    const off = sync.subscribe(asRead);
    return () => {
      isOver = true;
      off();
      if (url) URL.revokeObjectURL(url);
    };
  }, [id]);
  const whole = own && !own.isSent ? own.url : `/api/v1/pictures/${id}`;
  if (isMissing && !own) return <p className={`grid place-items-center border border-dashed border-rule p-3 text-soft ${className}`}>{text}: still on its way from the device that took it</p>; // biome-ignore format: one line
  return (
    <a href={whole} target="_blank" rel="noopener" className={`block border border-rule bg-sheet ${className}`}>
      <img
        src={own?.url ?? `/api/v1/pictures/${id}/small`}
        alt={text}
        className="size-full object-contain"
        loading="lazy"
        onError={() => setMissing(true)}
      />
    </a>
  );
}
