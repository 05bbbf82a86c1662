/** When there is time for sewing on a day of the week. */
export interface SewingDay {
  /** From when, minutes after midnight on the clock of the place. */
  from: number;
  /** For how long, minutes; 0 for not at all. */
  minutes: number;
}

/** Hours for sewing, over all projects: the days of a week from Monday, and single days that are otherwise. */
export interface Week {
  days: SewingDay[];
  /** Single days: no time, or more of it. */
  except: { id: string; minutes: number }[];
}

/** Three evenings and a Saturday: an own proposal, to be said otherwise. */
export const usualWeek = (): Week => ({
  days: [0, 90, 0, 90, 0, 180, 0].map((minutes, i) => ({ from: i === 5 ? 10 * 60 : 19 * 60 + 30, minutes })),
  except: [],
});
