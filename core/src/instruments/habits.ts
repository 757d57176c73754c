/** How much an instrument is played on most days, as a player says it [handbook 10]. */
export const HABITS = ['minutes', 'half-hour', 'hour', 'two-hours', 'more'] as const;
export type Habit = (typeof HABITS)[number];

/** What each answer stands for, hours a day over weeks. `minutes` and `more` from memory. */
export const HABIT_HOURS: Readonly<Record<Habit, number>> = {
  minutes: 1 / 6,
  'half-hour': 0.5,
  hour: 1,
  'two-hours': 2,
  more: 3,
};
