import { CALENDAR_BYTES, type CalendarPreview } from '@tembrin/contract';
import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { call, sentenceOf } from '@/state/api';
import { addCards, useCards } from '@/state/cards';
import { notify } from '@/state/notice';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { dateWords } from '@/copy/dates';
import { useMoment } from '../air/where';
import { download, useFileInput } from '../files/files';
import { OCCASION_TITLES } from '@/copy/screens/year/occasion-sheet';
import { OCCASIONS, type Occasion, type OccasionKind } from '@tembrin/core/year';
import { Grid, Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/year/calendar';

/** The year in calendar programs, and performances out of them. */
export function Calendar() {
  const [problem, setProblem] = useState<string | null>(null);
  const [path, setPath] = useState<string | null | undefined>(undefined);
  const [copied, setCopied] = useState(false);
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
      <BringIn />
    </Screen>
  );
}

/** Performances and holidays out of another calendar's file, looked at before they are taken in. */
function BringIn() {
  const { nowMs, timeZone } = useMoment();

  const cards = useCards('occasion');
  const [preview, setPreview] = useState<CalendarPreview | null>(null);
  const [kinds, setKinds] = useState<Readonly<Record<string, OccasionKind | null>>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const known = new Set(cards.flatMap(({ facts }) => facts.source ?? []));
  const look = async (file: File) => {
    setPreview(null);
    setProblem(null);
    if (file.size > CALENDAR_BYTES) {
      return setProblem(copy.thatFileHasMb((file.size / 1e6).toFixed(1), CALENDAR_BYTES / 1e6));
    }
    setBusy(true);
    try {
      const found = await call('previewCalendar', { body: { text: await file.text() } });
      setPreview(found);
      // Lessons need nothing kept clear for them, and what is here already is not taken twice.
      setKinds(
        Object.fromEntries(
          found.occasions.map(({ uid, guess }) => [uid, guess === 'lesson' || known.has(uid) ? null : guess]),
        ),
      );
    } catch (error) {
      setProblem(sentenceOf(error));
    } finally {
      setBusy(false);
    }
  };
  const input = useFileInput('Calendar file', '.ics,text/calendar', (file) => void look(file));
  const chosen = preview?.occasions.filter(({ uid }) => kinds[uid]) ?? [];
  const bring = async () => {
    setBusy(true);
    try {
      await addCards(
        chosen.map(({ uid, title, spans }) => {
          const facts: Occasion = { title, kind: kinds[uid]!, instrumentId: null, spans, source: uid };
          return { kind: 'occasion' as const, facts };
        }),
        copy.inYourYear(chosen.length),
      );
      router.replace('/year');
    } catch (error) {
      setProblem(sentenceOf(error));
    } finally {
      setBusy(false);
    }
  };
  const date = (text: string) => dateWords(Date.parse(`${text}T12:00:00Z`), nowMs, timeZone);
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
      {preview && (
        <>
          {preview.occasions.length === 0 && <Text>{copy.nothingInThisFile}</Text>}
          <View role="list" aria-label={copy.occasionsInTheFile}>
            {preview.occasions.map(({ uid, title, spans, cut }) => {
              const kind = kinds[uid] ?? null;
              const here = known.has(uid);
              return (
                <Stack role="listitem" key={uid} padY="half" gap="small" rule="bottom">
                  <Row gap="one" align="center">
                    <Stack grow>
                      <Text kind="strong">{title}</Text>
                      <Text kind="small" tone="quiet">
                        {`${date(spans[0]!.from)}${spans.length > 1 ? copy.andMoreUntil(spans.length - 1, date(spans.at(-1)!.to)) : spans[0]!.to > spans[0]!.from ? ` to ${date(spans[0]!.to)}` : ''}${cut ? copy.itGoesOnBeyond : ''}${here ? copy.inYourYearAlready : ''}`}
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
      )}
    </Stack>
  );
}
