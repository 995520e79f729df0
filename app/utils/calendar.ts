import { getDay, getHours, getMinutes, startOfDay } from 'date-fns'
import type { Calendar } from '#core/journal'

/** The calendar on this device's wall. */
export const localCalendar: Calendar = {
  dayOfWeek: getDay,
  hourOfDay: ms => getHours(ms) + getMinutes(ms) / 60,
  startOfDay: ms => startOfDay(ms).getTime(),
}
