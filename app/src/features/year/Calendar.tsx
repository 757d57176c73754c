import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { call, sentenceOf } from '@/state/api';
import { notify } from '@/state/notice';
import { useMay } from '@/state/people';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { download } from '../files/files';
import { OCCASION_TITLES } from '@/copy/screens/year/occasion-sheet';
import { OCCASIONS } from '@tembrin/core/year';
import { Grid, Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/year/calendar';
import { useBringIn, type BringInModel } from './use-bring-in';

/** The year in calendar programs, and performances out of them. */
export function Calendar() {
  const [problem, setProblem] = useState<string | null>(null);
  const [path, setPath] = useState<string | null | undefined>(undefined);
  const [copied, setCopied] = useState(false);
  const [whole, plans] = [useMay('share'), useMay('plan')];
  useEffect(() => {
    call('readCalendarAddress')
      .then((answer) => setPath(answer.path))
      .catch((error: unknown) => setProblem(sentenceOf(error)));
  }, []);
  const attempt = async (work: () => Promise<void>) => {
    setProblem(null);
    try {
      await work();
    } catch (error) {
      setProblem(sentenceOf(error));
    }
  };
  const make = () =>
    attempt(async () => {
      setPath((await call('renewCalendarAddress')).path);
      setCopied(false);
    });
  const revoke = () =>
    attempt(async () => {
      await call('revokeCalendarAddress');
      setPath(null);
      notify(copy.theAddressIsGone);
    });
  const address = path ? new URL(path, window.location.href).href : null;
  const copyAddress = () =>
    attempt(async () => {
      await navigator.clipboard.writeText(address!);
      setCopied(true);
    });
  return (
    <Screen title={copy.inYourCalendar} back="/year">
      {problem !== null && <Banner tone="now" text={problem} />}
      <Stack gap="small">
        <Text kind="heading" level={2}>
          Subscribe
        </Text>
        <Text>{copy.aPrivateAddressThat}</Text>
        {!whole && <Text tone="quiet">{copy.ofWhatYouPlay}</Text>}
        {address ? (
          <>
            <Text kind="small" selectable aria-label="Private address" breaks>
              {address}
            </Text>
            <Text kind="small" tone="quiet">
              {copy.whoeverHasItCan}
            </Text>
            <Grid gap="small">
              <Button rank="outline" title={copied ? 'Copied' : 'Copy it'} onPress={() => void copyAddress()} />
              <Button rank="plain" title={copy.aNewOneInstead} onPress={() => void make()} />
              <Button rank="plain" title={copy.takeItBack} onPress={() => void revoke()} />
            </Grid>
          </>
        ) : (
          path === null && <Button rank="outline" title={copy.makeAnAddress} onPress={() => void make()} start />
        )}
      </Stack>
      <Stack gap="small">
        <Text kind="heading" level={2}>
          {copy.orOnceAsA}
        </Text>
        <Button
          rank="outline"
          title="Download .ics"
          onPress={() => void attempt(() => download('downloadCalendar'))}
          start
        />
      </Stack>
      {plans && <BringIn />}
    </Screen>
  );
}

/** Performances and holidays out of another calendar's file, looked at before they are taken in. */
function BringIn() {
  const model = useBringIn();
  const { preview, problem, busy, input } = model;
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {copy.bringPerformancesAndHolidays}
      </Text>
      <Text>{copy.anIcsFileFrom}</Text>
      {problem !== null && <Banner tone="now" text={problem} />}
      {input.element}
      <Button
        rank="outline"
        title={preview ? copy.chooseAnotherFile : copy.chooseAnIcsFile}
        busy={busy}
        onPress={input.open}
        start
      />
      <Found model={model} />
    </Stack>
  );
}

/** What is in the file, each occasion with what it is. */
function Found({ model }: { model: BringInModel }) {
  const { preview, kinds, known, movedFrom, date, setKinds, chosen, busy, bring } = model;
  if (!preview) return null;
  return (
    <>
      {preview.occasions.length === 0 && <Text>{copy.nothingInThisFile}</Text>}
      <View role="list" aria-label={copy.occasionsInTheFile}>
        {preview.occasions.map((occasion) => {
          const { uid, title, spans, cut } = occasion;
          const kind = kinds[uid] ?? null;
          const moved = movedFrom(occasion);
          const before = moved?.facts.spans.at(-1)?.from;
          const here = known.has(uid) && !moved;
          return (
            <Stack role="listitem" key={uid} padY="half" gap="small" rule="bottom">
              <Row gap="one" align="center">
                <Stack grow>
                  <Text kind="strong">{title}</Text>
                  <Text kind="small" tone="quiet">
                    {`${date(spans[0]!.from)}${spans.length > 1 ? copy.andMoreUntil(spans.length - 1, date(spans.at(-1)!.to)) : spans[0]!.to > spans[0]!.from ? ` to ${date(spans[0]!.to)}` : ''}${cut ? copy.itGoesOnBeyond : ''}${here ? copy.inYourYearAlready : ''}${moved ? copy.movedFrom(before ? date(before) : copy.notAnyMore) : ''}`}
                  </Text>
                </Stack>
                <Tick
                  kind="checkbox"
                  title={kind ? 'Taken in' : 'Left out'}
                  on={kind !== null}
                  onPress={() => setKinds({ ...kinds, [uid]: kind ? null : 'performance' })}
                />
              </Row>
              {kind && (
                <Choice
                  label={`What ${title} is`}
                  options={OCCASIONS.map((value) => ({ value, title: OCCASION_TITLES[value] }))}
                  value={kind}
                  onChange={(value) => setKinds({ ...kinds, [uid]: value })}
                />
              )}
            </Stack>
          );
        })}
      </View>
      {preview.unreadable.length > 0 && (
        <View>
          <Text kind="smallStrong">{copy.cannotBeRead}</Text>
          {preview.unreadable.slice(0, 12).map(({ title, why }, at) => (
            <Text key={at} kind="small" tone="quiet">
              {`${title}: ${why}`}
            </Text>
          ))}
        </View>
      )}
      {preview.outside > 0 && (
        <Text kind="small" tone="quiet">
          {copy.outsideThatTimeAnd(preview.outside)}
        </Text>
      )}
      <Button
        title={chosen.length === 0 ? copy.nothingIsChosen : `Take ${chosen.length} in`}
        disabled={chosen.length === 0}
        busy={busy}
        onPress={() => void bring()}
      />
    </>
  );
}
