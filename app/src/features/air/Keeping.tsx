import { View } from 'react-native';
import { Banner } from '@/ui/Banner';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { CAR_GAIN_C, GLUE_SOFTENS_C, WARM_THROUGH_H } from '@tembrin/core/air';
import type { CaseKind } from '@tembrin/core/instruments';
import { Stack } from '@/ui/layout';
import { copy, FOLK_REMEDIES, KEEPING_RULES } from '@/copy/screens/air/keeping';
import { useKeeping, type KeepingModel } from './use-keeping';

const CASES: readonly { value: CaseKind; title: string }[] = [
  { value: 'hard', title: 'Hard case' },
  { value: 'soft', title: 'Soft case' },
];

/** Route: on the way and left alone: the car, a case from the cold, where not to put it, and home remedies. */
export function Keeping() {
  const model = useKeeping();
  const { temperatures, warmest } = model;
  return (
    <Screen title={copy.onTheWayAnd} back="/air">
      <FromTheCold model={model} />
      <Stack gap="small">
        <Text kind="heading" level={2}>
          {copy.aParkedCar}
        </Text>
        <Text>
          {warmest === null
            ? copy.inTheSunA(CAR_GAIN_C, GLUE_SOFTENS_C)
            : copy.todayAtMostOutside({
                warmest,
                temperatures,
                inCarC: warmest + CAR_GAIN_C,
                softensC: GLUE_SOFTENS_C,
              })}
        </Text>
      </Stack>
      <LeftAlone model={model} />
    </Screen>
  );
}

/** How long a case stays closed that comes in from the cold. */
function FromTheCold({ model }: { model: KeepingModel }) {
  const { room, places, setPlaceId, kind, setKind, temperatures, typed, setText, caseC, through, nowMs, timeZone } =
    model;
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {copy.aCaseFromThe}
      </Text>
      {room ? (
        <>
          {places.length > 1 && (
            <Choice
              label="Brought into"
              options={places.map(({ place }) => ({ value: place.id, title: place.name }))}
              value={room.place.id}
              onChange={setPlaceId}
            />
          )}
          <Choice label="In its" options={CASES} value={kind} onChange={setKind} />
          <Field
            label={copy.howColdItWas(temperatures)}
            inputMode="decimal"
            value={typed}
            onChangeText={setText}
            error={typeof caseC === 'string' ? caseC : undefined}
          />
          {through && (
            <Banner
              tone={through.sweats ? 'now' : 'well'}
              text={
                through.openAfterMs === 0
                  ? copy.itIsWarmEnough
                  : copy.theRoomsDewPoint({
                      sweats: through.sweats,
                      dewPointC: through.dewPointC,
                      temperatures,
                      openAfterMs: through.openAfterMs,
                      openAt: nowMs + through.openAfterMs,
                      timeZone,
                    })
              }
            />
          )}
          <Text kind="small" tone="quiet">
            {copy.newtonsCoolingWithA(WARM_THROUGH_H[kind])}
          </Text>
        </>
      ) : (
        <Text>{copy.leaveItClosedUntil}</Text>
      )}
    </Stack>
  );
}

/** Rules of the trade, and remedies of the house. */
function LeftAlone({ model }: { model: KeepingModel }) {
  const {} = model;
  return (
    <>
      <View>
        <Text kind="heading" level={2}>
          Left alone
        </Text>
        {KEEPING_RULES.filter(({ id }) => id !== 'car').map(({ id, title, does }) => (
          <Stack key={id} padY="small" rule="top">
            <Text kind="strong">{title}</Text>
            <Text kind="small" tone="quiet">
              {does}
            </Text>
          </Stack>
        ))}
        <Text kind="small" tone="quiet">
          {copy.aGuitarThatPlays}
        </Text>
      </View>
      <View>
        <Text kind="heading" level={2}>
          Home remedies
        </Text>
        {FOLK_REMEDIES.map(({ id, asked, answer }) => (
          <Stack key={id} padY="small" rule="top">
            <Text kind="strong">{asked}</Text>
            <Text kind="small">{answer}</Text>
          </Stack>
        ))}
      </View>
    </>
  );
}
