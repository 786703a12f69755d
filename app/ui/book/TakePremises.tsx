import { useState } from 'react';
import { forThisShop } from '../../../sync/shop-here.ts';
import { type CsvFault, CsvFaults } from '../form/index.ts';

/** Takes in a CSV file of premises, all or nothing; what will not do is told by line and column. */
export function TakePremises() {
  const [said, setSaid] = useState('');
  const [faults, setFaults] = useState<CsvFault[]>([]);
  const take = async (file: File | undefined) => {
    if (!file) return;
    setFaults([]);
    setSaid('Reading ...');
    try {
      const response = await fetch(forThisShop('/api/v1/premises/import'), { method: 'POST', headers: { 'content-type': 'text/csv' }, body: file });
      const body = await response.json();
      if (response.ok) return setSaid(`Taken in: ${body.premises} premises, ${body.appliances} appliances.`);
      setFaults(body.faults ?? []);
      setSaid(body.faults ? `Nothing was taken in: ${body.faults.length} ${body.faults.length === 1 ? 'fault' : 'faults'}.` : body.detail);
    } catch {
      setSaid('The server does not answer. Nothing was taken in; try again.');
    }
  };
  return (
    <div className="grid min-w-0 gap-2">
      <label className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-1">
        <span className="label">Premises (CSV)</span>
        <input type="file" accept=".csv,text/csv" className="min-h-12 max-w-full" onChange={(e) => take(e.target.files?.[0])} />
      </label>
      <p className="text-soft">
        A header line, then a row for each appliance, or one for premises without any: <span className="code">name</span> (needed), address, access,
        contact_name, contact_phone, contact_email, contact_note, time_zone, place, appliance, kind. Rows of one name and address are one premises.{' '}
        <a href="/premises-example.csv" download>
          An example
        </a>
      </p>
      <p aria-live="polite">{said}</p>
      <CsvFaults faults={faults} />
    </div>
  );
}
