'use client';
import dayjs, { type Dayjs } from 'dayjs';
import { AdapterDayjs } from '@mui/x-date-pickers/AdapterDayjs';
import { DatePicker } from '@mui/x-date-pickers/DatePicker';
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider';
import { TimePicker } from '@mui/x-date-pickers/TimePicker';

const DAY = 'YYYY-MM-DD';

/** A day as year, month, day; half a day typed says nothing yet. */
export function DayField({
  label,
  value,
  isOptional = false,
  onCommit,
}: {
  readonly label: string;
  /** "2026-03-09"; null for none. */
  readonly value: string | null;
  readonly isOptional?: boolean;
  onCommit(day: string | null): void;
}) {
  const take = (day: Dayjs | null): void => {
    if (day === null && isOptional) onCommit(null);
    else if (day?.isValid() && day.year() > 1900) onCommit(day.format(DAY));
  };
  return (
    <LocalizationProvider dateAdapter={AdapterDayjs}>
      <DatePicker
        label={label}
        format={DAY}
        value={value === null ? null : dayjs(value)}
        onChange={take}
        slotProps={{
          textField: { size: 'small', variant: 'standard', onKeyDown: keepKeys },
          field: { clearable: isOptional },
        }}
      />
    </LocalizationProvider>
  );
}

/** A time of the day, to the minute, in hours. */
export function HourField({
  label,
  value_h,
  onCommit,
}: {
  readonly label: string;
  readonly value_h: number;
  onCommit(hours: number): void;
}) {
  const at = dayjs('2000-01-01').add(Math.round(value_h * 60), 'minute');
  return (
    <LocalizationProvider dateAdapter={AdapterDayjs}>
      <TimePicker
        label={label}
        ampm={false}
        format="HH:mm"
        value={at}
        onChange={(time) => {
          if (time?.isValid()) onCommit(time.hour() + time.minute() / 60);
        }}
        slotProps={{ textField: { size: 'small', variant: 'standard', onKeyDown: keepKeys } }}
      />
    </LocalizationProvider>
  );
}

/** Digits are typed here: they open no stage. */
const keepKeys = (e: { stopPropagation(): void }): void => e.stopPropagation();
