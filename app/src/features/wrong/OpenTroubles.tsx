import type { Instrument } from '@tembrin/contract';
import { useAssessment } from '@/state/assessments';
import { Banner } from '@/ui/Banner';
import { LinkRow } from '@/ui/LinkRow';
import { dayWords } from '@/copy/dates';
import { listWords } from '@/copy/lists';
import { causeTitle, symptomsWords } from '@/copy/troubles';
import { copy } from '@/copy/screens/wrong/open';
import { caseOnRecord, judgeCase, openTroubles } from '@tembrin/core/triage';

/** So many are judged each time Now is drawn; the rest is a page away. */
const SHOWN = 5;

/** Troubles that are not over, each to be taken up; what may be a danger stands out until it is ruled out. */
export function OpenTroubles({ instrument }: { instrument: Instrument }) {
  const assessment = useAssessment(instrument);
  const { log } = assessment;
  const open = openTroubles(log);
  const shown = open.slice(0, SHOWN).map((trouble) => {
    const { given } = caseOnRecord(assessment, trouble);
    const dangers = given ? judgeCase(given).dangers : [];
    const link = (
      <LinkRow
        key={trouble.eventId}
        href={{ pathname: '/bench/wrong/[trouble]', params: { trouble: trouble.eventId } }}
        title={copy.wrong(symptomsWords(trouble.symptoms))}
        text={copy.takeUp(dayWords(trouble.at, log.nowMs, log.timeZone))}
      />
    );
    if (dangers.length === 0) return link;
    return (
      <Banner
        key={trouble.eventId}
        tone="now"
        text={copy.danger(listWords(dangers.map((id) => causeTitle(id).toLowerCase())))}
      >
        {link}
      </Banner>
    );
  });
  return (
    <>
      {shown}
      {open.length > SHOWN && <LinkRow href="/bench/wrong" title={copy.more(open.length - SHOWN)} />}
    </>
  );
}
