import { loansAmong } from '@tembrin/contract/lent';
import { noticeWords, type NoticeWords } from '@tembrin/contract/notice-words';
import { subjectNames } from '@tembrin/contract/year-words';
import { concernsOf } from '@tembrin/core/notices';
import { useAllAssessments } from '@/state/assessments';
import { factsOf, useCardStore } from '@/state/cards';
import { useHousehold } from '@/state/household';
import { useMoment } from '../air/where';

/** What there is to tell of the household as it stands, in words: for who is told by nobody. */
export function useConcernWords(): NoticeWords[] {
  const { instruments, timeZone } = useHousehold((state) => state.household)!;
  const assessments = useAllAssessments();
  const cards = useCardStore((state) => state.cards);
  const { nowMs } = useMoment();
  const names = subjectNames(instruments, cards ?? []);
  const concerns = concernsOf({
    assessments,
    appointments: factsOf(cards, 'appointment'),
    occasions: factsOf(cards, 'occasion'),
    loans: loansAmong(cards ?? []),
    nowMs,
    timeZone,
  });
  return concerns.map((concern) => noticeWords(concern, { names, timeZone }));
}
