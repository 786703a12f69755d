import { useEffect, useMemo, useState } from 'react';
import type { LossRow } from '../../../core/index.ts';
import { useCatalogue } from '../../ui/held/index.ts';
import { useAddress } from '../../ui/use-address.ts';
import { type ApplianceFacts, type Reading, readSetting, type Setting, settingOf, settingQuery } from './setting.ts';

export interface SettingHere {
  setting: Setting;
  /** That can be asked of. */
  appliances: readonly ApplianceFacts[];
  change: (setting: Setting) => void;
  reading: Reading;
  /** A chain was asked whose parts are still on their way to this device. */
  isWaiting: boolean;
  /** Back to the run it is of; null where it is of none. */
  back: string | null;
}

/** What is asked, kept in the page's address; a chain's parts as this device holds them. */
export function useSetting(address: Record<string, string>, appliances: ApplianceFacts[], losses: LossRow[]): SettingHere {
  const asked = useAddress(address);
  const [setting, setSetting] = useState(() => settingOf(asked, appliances));
  useEffect(() => setSetting(settingOf(asked, appliances)), [asked, appliances]);
  const catalogue = useCatalogue();
  const parts = catalogue?.parts;
  const reading = useMemo(() => readSetting(setting, appliances, losses, parts ?? []), [setting, appliances, losses, parts]);
  const change = (next: Setting) => {
    setSetting(next);
    history.replaceState(null, '', `?${settingQuery(next, appliances)}`);
  };
  return {
    setting,
    appliances,
    change,
    reading,
    isWaiting: setting.chain !== '' && !parts,
    back: setting.visit && setting.run ? `/visits/${setting.visit}?${new URLSearchParams({ run: setting.run })}` : null,
  };
}
