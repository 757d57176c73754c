import type { Instrument } from '@tembrin/contract';
import { Redirect } from 'expo-router';
import { usePreferences } from '@/state/preferences';
import { useInstrumentOnStand } from '@/state/stand';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { useKeys } from '@/ui/keys';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Row, Stack } from '@/ui/layout';
import { measureNumber, measureWords } from '@/copy/measures';
import { copy } from '@/copy/screens/bench/gauge';
import { gaugeWithin, type ScreenScale } from '@tembrin/core/vision';
import { CardOutline, GapBar, RightAngle, Ruler, Steps } from './Drawings';
import { useGauge, type GaugeModel } from './use-gauge';

/** Route: this screen as a gauge at true size. */
export function Gauge() {
  const instrument = useInstrumentOnStand();
  return instrument ? <GaugeFor key={instrument.id} instrument={instrument} /> : <Redirect href="/kit/add" />;
}

function GaugeFor({ instrument }: { instrument: Instrument }) {
  const model = useGauge(instrument);
  return model.scale ? <AtTrueSize model={model} scale={model.scale} /> : <Match model={model} />;
}

/** A card matched against the screen, once. */
function Match({ model }: { model: GaugeModel }) {
  const { changed, edgePx, nudge, match, problem } = model;
  useKeys({
    arrowright: { label: copy.larger, run: () => nudge(1) },
    arrowleft: { label: copy.smaller, run: () => nudge(-1) },
    enter: { label: copy.matches, run: match },
  });
  const sizes = [
    ['−10', copy.muchSmaller, -10],
    ['−', copy.smaller, -1],
    ['+', copy.larger, 1],
    ['+10', copy.muchLarger, 10],
  ] as const;
  return (
    <Screen
      title={copy.title}
      back="/bench"
      foot={
        <>
          <Row gap="small" role="group" aria-label={copy.width}>
            {sizes.map(([title, label, by]) => (
              <Button
                key={label}
                rank="outline"
                title={title}
                label={`${title} ${label}`}
                onPress={() => nudge(by)}
                grow
              />
            ))}
          </Row>
          <Button title={copy.matches} onPress={match} hotkey="Enter" />
        </>
      }
    >
      {changed && <Banner tone="soon" text={copy.ratioChanged} />}
      {problem !== null && <Banner tone="now" text={problem} />}
      <Stack gap="hair">
        <Text kind="heading" level={2}>
          {copy.calibrate}
        </Text>
        <Text>{copy.howTo.join(' ')}</Text>
        <Text kind="small" tone="quiet">
          {copy.whyCalibrate}
        </Text>
      </Stack>
      <Stack align="center">
        <CardOutline edgePx={edgePx} label={copy.card} />
      </Stack>
    </Screen>
  );
}

function AtTrueSize({ model, scale }: { model: GaugeModel; scale: ScreenScale }) {
  const { shows, shown, setShown, again, gap } = model;
  const lengths = usePreferences((state) => state.lengths);
  return (
    <Screen title={copy.title} back="/bench">
      <Choice
        label={copy.what}
        options={shows.map((value) => ({ value, title: copy.shows[value] }))}
        value={shown}
        onChange={setShown}
      />
      <Held model={model} scale={scale} />
      <Stack gap="hair">
        <Text kind="small" tone="quiet">
          {copy.within(gaugeWithin(scale, gap?.usual ?? 10), 1 / (scale.pxPerMm * scale.ratio), lengths)}
        </Text>
        <Button rank="plain" title={copy.again} onPress={again} start flush />
      </Stack>
    </Screen>
  );
}

/** What is held against the screen. */
function Held({ model, scale }: { model: GaugeModel; scale: ScreenScale }) {
  const { shown, room, gap } = model;
  const lengths = usePreferences((state) => state.lengths);
  const drawn = { scale, room, label: copy.shows[shown] };
  switch (shown) {
    case 'gap': {
      if (!gap) return null;
      const mm = gap.own ?? gap.usual;
      const words = measureWords('bow-gap', mm, lengths);
      const range = `${measureNumber('bow-gap', gap.least, lengths)} to ${measureWords('bow-gap', gap.most, lengths)}`;
      return (
        <Stack gap="one">
          <Text kind="figure">{words}</Text>
          <Text>{gap.own === null ? copy.gapUsual(words, range) : copy.gapOwn(words)}</Text>
          <GapBar {...drawn} mm={mm} least={gap.least} most={gap.most} label={`${copy.shows.gap}, ${words}`} />
          <Text tone="quiet">{copy.gapHow}</Text>
        </Stack>
      );
    }
    case 'ruler':
      return (
        <Stack gap="one">
          <Text tone="quiet">{copy.rulerHow}</Text>
          <Ruler {...drawn} />
        </Stack>
      );
    case 'square':
      return (
        <Stack gap="one">
          <Text tone="quiet">{copy.squareHow}</Text>
          <RightAngle {...drawn} />
        </Stack>
      );
    case 'steps':
      return (
        <Stack gap="one">
          <Text tone="quiet">{copy.stepsHow}</Text>
          <Steps {...drawn} lengths={lengths} />
          <Text kind="small" tone="quiet">
            {copy.tooFine}
          </Text>
        </Stack>
      );
  }
}
