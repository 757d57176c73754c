import { View } from 'react-native';
import { Button } from '@/ui/Button';
import { Choice, Choices, Tick } from '@/ui/Choice';
import { Empty } from '@/ui/Empty';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Stack } from '@/ui/layout';
import { optionsOf } from '@/copy/lists';
import { BULK_TITLES, copy } from '@/copy/screens/lending/cupboard';
import { DOER_TITLES } from '@tembrin/contract/year-words';
import { workKey, type CupboardWork } from '@tembrin/core/lending';
import { dueOf } from '@tembrin/core/parts';
import { isBulkWork, useWork } from './use-cupboard';

type WorkModel = ReturnType<typeof useWork>;

/** What is to be done to one: "Heron: checkup". */
const titleOf = ({ item, row }: CupboardWork) => `${row.name}: ${dueOf(item.part).title.toLowerCase()}`;

/** Route: the day's work in the cupboard, by room and by doer; and the same put on record for many. */
export function WorkScreen() {
  const model = useWork();
  const { groups, count } = model;
  return (
    <Screen
      title={copy.work}
      back="/kit/cupboard"
      foot={count > 0 && <Button title={copy.put(count)} busy={model.busy} onPress={model.putDone} />}
    >
      {groups.length === 0 ? (
        <Empty title={copy.workNone} text={copy.workNoneText} />
      ) : (
        <Text kind="small" tone="quiet">
          {`${copy.choose} ${copy.bulkOnly}`}
        </Text>
      )}
      {groups.map(({ placeId, who, work }) => (
        <Stack key={`${placeId} ${who}`} gap="small">
          <Text kind="heading" level={2}>
            {copy.groupTitle(model.placeNames.get(placeId ?? '') ?? copy.noRoom, DOER_TITLES[who])}
          </Text>
          <Stack gap="small" role="group" aria-label={copy.work}>
            {work.filter(isBulkWork).map((each) => (
              <Tick
                key={workKey(each)}
                kind="checkbox"
                title={titleOf(each)}
                on={model.isChosen(each)}
                onPress={() => model.toggle(each)}
              />
            ))}
          </Stack>
          <View>
            {work
              .filter((each) => !isBulkWork(each))
              .map((each) => (
                <LinkRow
                  key={workKey(each)}
                  href={{ pathname: '/kit/[id]/[part]', params: { id: each.row.id, part: each.item.part } }}
                  title={titleOf(each)}
                />
              ))}
          </View>
        </Stack>
      ))}
      <Many model={model} />
    </Screen>
  );
}

/** The same look or checkup for a whole shelf, due or not. */
function Many({ model }: { model: WorkModel }) {
  const { many, here, forWhom } = model;
  return (
    <Stack gap="one">
      <Stack gap={2}>
        <Text kind="heading" level={2}>
          {copy.many}
        </Text>
        <Text kind="small" tone="quiet">
          {copy.manyText}
        </Text>
      </Stack>
      <Choice label={copy.manyWhat} options={optionsOf(BULK_TITLES)} value={many} onChange={model.setMany} />
      {many !== null && (
        <>
          {many === 'look' && <Text tone="quiet">{copy.manyLook}</Text>}
          <Button rank="plain" title={copy.everyOne} onPress={model.chooseAll} start flush />
          <Choices
            label={copy.manyFor}
            options={here.map(({ id, name }) => ({ value: id, title: name }))}
            values={forWhom}
            onChange={model.setForWhom}
          />
          {forWhom.length > 0 && (
            <Button rank="outline" title={copy.put(forWhom.length)} busy={model.busy} onPress={model.putMany} start />
          )}
        </>
      )}
    </Stack>
  );
}
