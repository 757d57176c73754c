import { View } from 'react-native';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { Empty } from '@/ui/Empty';
import { Field } from '@/ui/Field';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { StateMark } from '@/ui/StateMark';
import { Text } from '@/ui/Text';
import { Grid, Row, Stack } from '@/ui/layout';
import { optionsOf } from '@/copy/lists';
import { FAMILY_NAMES, STATE_NAMES } from '@/copy/names';
import { copy } from '@/copy/screens/lending/cupboard';
import { holderWords } from '@/copy/screens/lending/loan';
import type { CupboardRow } from '@tembrin/core/lending';
import { useCupboard, type CupboardModel } from './use-cupboard';

/** Route: all instruments as a cupboard: searched, narrowed down, with who has what. */
export function CupboardScreen() {
  const model = useCupboard();
  const { rows, found, shown, left } = model;
  return (
    <Screen title={copy.cupboard} back="/kit">
      <View>
        <LinkRow href="/kit/work" title={copy.work} text={copy.workRow} />
      </View>
      <Outgrowing model={model} />
      <Wish model={model} />
      <Stack gap="small">
        <Text kind="small" tone="quiet" role="status">
          {copy.found(found.length, rows.length)}
        </Text>
        {found.length === 0 ? (
          <Empty title={copy.nothing} text={copy.nothingText}>
            <Button rank="outline" title={copy.all} onPress={model.clear} start />
          </Empty>
        ) : (
          <View role="list" aria-label={copy.cupboard}>
            {shown.map((row) => (
              <OneRow key={row.id} row={row} model={model} />
            ))}
          </View>
        )}
        {left > 0 && <Button rank="outline" title={copy.more(left)} onPress={model.more} start />}
      </Stack>
      {found.length > 0 && <Labels model={model} />}
    </Screen>
  );
}

function OneRow({ row, model }: { row: CupboardRow; model: CupboardModel }) {
  const { id, name, holder, state, found } = row;
  const where = holderWords(holder);
  const place = model.placeOf(row);
  const besides = [place, found > 0 ? copy.foundOn(found) : null].filter((each) => each !== null).join(' · ');
  const late = holder.at === 'lent' && holder.overdueDays > 0;
  const lead =
    holder.at === 'lent'
      ? ({ pathname: '/kit/[id]/loan', params: { id } } as const)
      : ({ pathname: '/kit/[id]', params: { id } } as const);
  return (
    <View role="listitem">
      <LinkRow href={lead} label={`${name} ${STATE_NAMES[state]}. ${model.kindOf(row)} ${where} ${besides}`}>
        <Row align="baseline" justify="between" gap="one">
          <Text kind="strong" shrink>
            {name}
          </Text>
          <StateMark state={state} />
        </Row>
        <Row align="baseline" justify="between" gap="one">
          <Text kind="small">{model.kindOf(row)}</Text>
          <Text kind="small" tone={late ? 'now' : holder.at === 'in' ? 'well' : 'text'}>
            {where}
          </Text>
        </Row>
        {besides !== '' && (
          <Text kind="small" tone="quiet">
            {besides}
          </Text>
        )}
      </LinkRow>
    </View>
  );
}

function Wish({ model }: { model: CupboardModel }) {
  return (
    <Stack gap="one">
      <Field label={copy.search} hint={copy.searchHint} value={model.words} onChangeText={model.setWords} />
      <Choice label={copy.where} options={model.whereOptions} value={model.where} onChange={model.setWhere} />
      <Row gap="small" align="center">
        <Button rank="plain" title={copy.narrow} onPress={model.toggleNarrow} start flush />
        {model.narrowed && <Button rank="plain" title={copy.all} onPress={model.clear} />}
      </Row>
      {(model.narrow || model.narrowed) && (
        <Stack gap="one">
          <Choice
            label={copy.family}
            options={model.families((family) => FAMILY_NAMES[family])}
            value={model.family}
            onChange={model.setFamily}
          />
          {model.sizes.length > 2 && (
            <Choice label={copy.size} options={model.sizes} value={model.size} onChange={model.setSize} />
          )}
          {model.places.length > 2 && (
            <Choice label={copy.place} options={model.places} value={model.place} onChange={model.setPlace} />
          )}
          <Grid>
            <Tick kind="checkbox" title={copy.asks} on={model.asks} onPress={() => model.setAsks(!model.asks)} />
          </Grid>
        </Stack>
      )}
    </Stack>
  );
}

function Outgrowing({ model: { growing } }: { model: CupboardModel }) {
  if (growing.length === 0) return null;
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {copy.outgrow}
      </Text>
      <View>
        {growing.map(({ row, next, size, free }) => (
          <LinkRow
            key={row.id}
            href={{ pathname: '/kit/[id]', params: { id: row.id } }}
            title={copy.outgrowRow(row.name, holderWords(row.holder), size)}
            text={[
              next.outgrown || next.window === null ? copy.outgrown : copy.outgrowsAbout(next.window.middle),
              free.length === 0
                ? copy.noneFree
                : copy.freeNext(
                    free
                      .slice(0, 5)
                      .map(({ name }) => name)
                      .join(', '),
                  ),
            ].join(' ')}
          />
        ))}
      </View>
    </Stack>
  );
}

function Labels({ model }: { model: CupboardModel }) {
  return (
    <Stack gap="small">
      <Choice label={copy.paper} options={optionsOf(copy.papers)} value={model.paper} onChange={model.setPaper} />
      <Text kind="small" tone="quiet">
        {copy.labelsText}
      </Text>
      <Button
        rank="outline"
        title={copy.labels(model.found.length)}
        busy={model.busy}
        onPress={model.printLabels}
        start
      />
    </Stack>
  );
}
