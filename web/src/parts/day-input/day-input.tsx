import { DatePicker } from 'antd'
import enGB from 'antd/es/date-picker/locale/en_GB.js'
import enUS from 'antd/es/date-picker/locale/en_US.js'
import dayjs, { type Dayjs } from 'dayjs'
import 'dayjs/locale/en-gb.js'
import { api } from '../../app/api.ts'

/** The week starts as the sites say; where they differ, on Sunday. */
function useWeek() {
  const sites = api.usePlacesQuery({}).data?.sites ?? []
  return sites.length > 0 && sites.every((s) => s.weekStart === 'monday') ? enGB : enUS
}

interface Props {
  readonly label: string
  readonly value: string
  readonly onChange: (v: string) => void
}

const read = (value: string): Dayjs | null => (value === '' ? null : dayjs(value))

/** What is typed counts as soon as it is a date, not only once the field is left. */
function taken(d: unknown, format: string, onChange: (v: string) => void): void {
  if (dayjs.isDayjs(d) && d.isValid()) onChange(d.format(format))
}

/** A day of the calendar. @param value ISO, `2026-11-25`; empty: none */
export function DayInput({ label, value, onChange }: Props) {
  const locale = useWeek()
  return (
    <DatePicker
      aria-label={label}
      className="day-input"
      locale={locale}
      format={['MMM D, YYYY', 'YYYY-MM-DD', 'M/D/YYYY']}
      value={read(value)}
      onChange={(d: Dayjs | null) => onChange(d?.format('YYYY-MM-DD') ?? '')}
      onCalendarChange={(d) => taken(d, 'YYYY-MM-DD', onChange)}
    />
  )
}

const hours12 = new Intl.DateTimeFormat(undefined, { hour: 'numeric' }).resolvedOptions().hour12 === true

/** A day and time, local. @param value `2026-11-25T04:00`; empty: none */
export function DayTimeInput({ label, value, onChange }: Props) {
  const locale = useWeek()
  return (
    <DatePicker
      aria-label={label}
      className="day-input"
      locale={locale}
      showTime={{ format: hours12 ? 'h:mm A' : 'HH:mm', use12Hours: hours12 }}
      format={[hours12 ? 'MMM D, YYYY, h:mm A' : 'MMM D, YYYY, HH:mm', 'YYYY-MM-DD HH:mm', 'YYYY-MM-DDTHH:mm']}
      needConfirm={false}
      value={read(value)}
      onChange={(d: Dayjs | null) => onChange(d?.format('YYYY-MM-DDTHH:mm') ?? '')}
      onCalendarChange={(d) => taken(d, 'YYYY-MM-DDTHH:mm', onChange)}
    />
  )
}
