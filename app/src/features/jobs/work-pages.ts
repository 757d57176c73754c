export { BriefRoute } from '../brief/BriefScreen';
export { JobRoute } from './JobScreen';
export { Jobs } from './Jobs';
export { CaseRoute } from '../wrong/CaseScreen';
export { OpenTroubles } from '../wrong/OpenTroubles';
export { WrongStart } from '../wrong/WrongStart';
