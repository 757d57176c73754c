import { Button } from '@/ui/Button';
import { Tick } from '@/ui/Choice';
import { Text } from '@/ui/Text';
import { Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/visits/visit';
import { useAnswer } from './use-answer';
import { useAsking } from '../asking';
import { type AnswerOnRecord, type VisitModel } from './use-visit';
import { settleAnswer } from '@/state/shares';

/** What a workshop answered; what was done is taken over line by line. */
export function AnswerCard({ answer, model }: { answer: AnswerOnRecord; model: VisitModel }) {
  const { answer: said, at } = answer;
  return (
    <Stack gap="small" pad="one" ground="surface" round>
      <Stack gap="hair">
        <Text kind="strong">{copy.answerHead(said, model.ofDate)}</Text>
        <Text kind="small" tone="quiet">
          {copy.answerFrom(said.from, model.onDay(Date.parse(at)))}
        </Text>
      </Stack>
      {said.note !== '' && <Text>{said.note}</Text>}
      {said.kind === 'done' ? <Lines answer={answer} model={model} /> : <Noted answer={answer} />}
    </Stack>
  );
}

function Noted({ answer }: { answer: AnswerOnRecord }) {
  const { busy, ask } = useAsking();
  if (answer.settledAt !== null) return null;
  return (
    <Button
      rank="outline"
      title={copy.noted}
      busy={busy}
      onPress={() => void ask(() => settleAnswer(answer.share.id, answer.id))}
      start
    />
  );
}

/** The entries it would put on record, each to be taken or left. */
function Lines({ answer, model }: { answer: AnswerOnRecord; model: VisitModel }) {
  const { lines, open, chosen, busy, isOn, toggle, take, settle } = useAnswer(answer, model);
  const settled = answer.settledAt !== null;
  return (
    <Stack gap="small">
      {!settled && open.length > 0 && (
        <Text kind="small" tone="quiet">
          {copy.takeText}
        </Text>
      )}
      {lines.map(({ key, words, taken }) =>
        taken || settled ? (
          <Row key={key} gap="one" justify="between" align="baseline">
            <Text shrink>{words}</Text>
            <Text kind="small" tone={taken ? 'well' : 'quiet'}>
              {taken ? copy.isOnRecord : copy.wasLeft}
            </Text>
          </Row>
        ) : (
          <Tick key={key} kind="checkbox" title={words} on={isOn(key)} onPress={() => toggle(key)} />
        ),
      )}
      {!settled && chosen.length > 0 && <Button title={copy.take(chosen.length)} busy={busy} onPress={take} />}
      {!settled && <Button rank="plain" title={copy.leave} onPress={settle} />}
    </Stack>
  );
}
