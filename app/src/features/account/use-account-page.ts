import { useEffect } from 'react';
import {
  endOtherSignIns,
  endSignIn,
  keepAddress,
  readAccount,
  removePasskey,
  stayAfterAll,
  useAccount,
} from '@/state/account';
import { refreshHousehold, useHousehold } from '@/state/household';
import { notify } from '@/state/notice';
import { dayWords, fullDateWords } from '@/copy/dates';
import { copy } from '@/copy/screens/account/account';
import { useMoment } from '../air/where';
import { useAsking } from '../asking';

/** The account, asked for anew when a page of it opens; null: not known, as without a connection. */
export function useKnownAccount() {
  useEffect(() => {
    readAccount()
      // Changed by a link that was followed elsewhere: the household's page shows it too.
      .then(() =>
        useAccount.getState().account?.email === useHousehold.getState().household?.email
          ? undefined
          : refreshHousehold(),
      )
      .catch(() => undefined);
  }, []);
  return useAccount((state) => state.account);
}

/** The account's page: what it shows, and what is done on it at once. */
export function useAccountPage() {
  const account = useKnownAccount();
  const { nowMs, timeZone } = useMoment();
  const { busy, ask } = useAsking();
  const doing = (work: () => Promise<void>, done: string) => () =>
    void ask(async () => {
      await work();
      notify(done);
    });
  return {
    account,
    busy,
    onDay: (instant: string) => fullDateWords(timeZone)(Date.parse(instant)),
    lately: (instant: string) => dayWords(Date.parse(instant), nowMs, timeZone),
    keep: doing(keepAddress, copy.keptThis),
    remove: (id: string) => doing(() => removePasskey(id), copy.removed)(),
    endThere: (id: string) => doing(() => endSignIn(id), copy.endedThere)(),
    endOthers: doing(endOtherSignIns, copy.endedOthers),
    stay: doing(stayAfterAll, copy.stays),
  };
}
export type AccountPage = ReturnType<typeof useAccountPage>;
