import type { NoticeAnswer, NoticeAt } from '@tembrin/contract';
import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { call, sentenceOf } from '@/state/api';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Screen } from '@/ui/Screen';
import { Stack } from '@/ui/layout';
import { Text } from '@/ui/Text';
import { fullDateWords } from '@/copy/dates';
import { copy, linkCopy } from '@/copy/screens/reminders/reminders';
import { LATER, morningIn } from './use-reminders';

/** What stands behind the # of the address: browsers send it to nobody. */
const keyHere = () => decodeURIComponent(window.location.hash.slice(1));

/** What a link in a reminder is about, and what is answered by it; who has the link need not be signed in. */
function useNoticeAt() {
  const [key] = useState(keyHere);
  const [at, setAt] = useState<NoticeAt | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(key === '' ? linkCopy.noKey : null);
  const [busy, setBusy] = useState(false);
  const doing = async (work: () => Promise<NoticeAt>, done: string | null) => {
    setBusy(true);
    setProblem(null);
    try {
      setAt(await work());
      setSaid(done);
    } catch (error) {
      setProblem(sentenceOf(error));
    }
    setBusy(false);
  };
  useEffect(() => {
    if (key !== '') void doing(() => call('lookAtNotice', { body: { key } }), null);
  }, [key]);
  const reply = (answer: NoticeAnswer, done: string) =>
    void doing(() => call('answerNoticeAt', { body: { key, reply: answer } }), done);
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  return {
    at,
    said,
    problem,
    busy,
    done: () => reply({ answer: 'done' }, copy.saidDone),
    later: (days: number) => {
      const until = morningIn(days, Date.now(), zone);
      reply({ answer: 'put-off', until: new Date(until).toISOString() }, copy.saidPutOff(fullDateWords(zone)(until)));
    },
    noMore: (answer: 'off-kind' | 'off-instrument') => reply({ answer }, linkCopy.noMoreText),
    endLetters: () =>
      void doing(async () => {
        await call('unsubscribe', { params: { key } });
        return call('lookAtNotice', { body: { key } });
      }, null),
  };
}
type Answering = ReturnType<typeof useNoticeAt>;

/** Route: answering a reminder by the link it came with. */
export function AnswerByLink() {
  const page = useNoticeAt();
  const { at, problem, said } = page;
  return (
    <Stack grow ground="ground">
      <Screen title={at?.notice?.title ?? (at ? linkCopy.letters : linkCopy.title)} back="/">
        {problem !== null && <Banner tone="now" text={problem} />}
        {said !== null && <Text role="status">{said}</Text>}
        {at === null ? problem === null && <Text tone="quiet">{linkCopy.looking}</Text> : <What at={at} page={page} />}
      </Screen>
    </Stack>
  );
}

function What({ at, page }: { at: NoticeAt; page: Answering }) {
  const { notice, household, person, mail } = at;
  return (
    <Stack gap="more">
      <Text kind="small" tone="quiet">
        {linkCopy.forWhom(person, household)}
      </Text>
      {notice === null ? (
        <>
          <Text>{mail ? linkCopy.lettersOn(household) : linkCopy.lettersEnded}</Text>
          {mail && <Button title={linkCopy.endLetters} busy={page.busy} onPress={page.endLetters} />}
        </>
      ) : (
        <>
          <Stack gap="small">
            <Text>{notice.why}</Text>
            <Text>{notice.todo}</Text>
          </Stack>
          {page.said === null && (
            <Stack gap="small">
              {notice.step !== null && notice.state !== 'done' && (
                <Button title={copy.done} busy={page.busy} onPress={page.done} />
              )}
              <Button rank="outline" title={copy.tomorrow} onPress={() => page.later(LATER.tomorrow)} />
              <Button rank="outline" title={copy.week} onPress={() => page.later(LATER.week)} />
              <Button rank="plain" title={copy.notThisKind} onPress={() => page.noMore('off-kind')} start flush />
              <Button
                rank="plain"
                title={copy.notThisInstrument(linkCopy.thisInstrument)}
                onPress={() => page.noMore('off-instrument')}
                start
                flush
              />
            </Stack>
          )}
        </>
      )}
      <Button rank="plain" title={linkCopy.toSettings} onPress={() => router.replace('/kit/reminders')} start flush />
    </Stack>
  );
}
