/** What judges, in a file of its own: only who has no worker loads it into the page. */
export const loadAssessor = () => import('./assessor');
