'use client';

import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Input } from 'antd';
import { useId } from 'react';
import {
  DAY_LIMITS,
  isDate,
  weathers,
  type DaySettings,
  type RoomLamp,
} from '@/core/simulate/day/daySettings';
import { optionsFor } from '@/ui/fields/Choice';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { NumberField } from '@/ui/fields/NumberField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { SwitchField } from '@/ui/fields/SwitchField';
import { SelectField } from '@/ui/fields/SelectField';
import { WholeField } from '@/ui/fields/WholeField';
import { tryWords } from '@/ui/words/panels/try';
import { dayTimeText, weatherNames } from '@/ui/words/trying';
import styles from '../Try.module.css';

interface DayFieldsProps {
  readonly day: DaySettings;
  readonly onChange: (change: Partial<DaySettings>) => void;
}

const spots = [
  { value: 'window', label: 'behind a window' },
  { value: 'outdoors', label: 'outdoors' },
] as const;
const mains = [
  { value: '50', label: '50 Hz' },
  { value: '60', label: '60 Hz' },
] as const;
const weatherOptions = optionsFor(weathers, (weather) => weatherNames[weather]).map((option) => ({
  ...option,
  title: option.label,
}));

/** Where and when a day is, and what makes its light unsteady. */
export function DayFields({ day, onChange }: DayFieldsProps) {
  const { latitude, longitude, utcHours, spot, facing, shade, weather, leaves, headlights, lamps, seed } =
    day;
  return (
    <>
      <NumberField
        label={tryWords.latitude}
        value={latitude}
        limits={DAY_LIMITS.latitude}
        onCommit={(value) => onChange({ latitude: value })}
      />
      <NumberField
        label={tryWords.longitude}
        value={longitude}
        limits={DAY_LIMITS.longitude}
        onCommit={(value) => onChange({ longitude: value })}
      />
      <NumberField
        label={tryWords.utc}
        value={utcHours}
        limits={DAY_LIMITS.utcHours}
        onCommit={(value) => onChange({ utcHours: value })}
      />
      <DateField value={day.date} onChange={(date) => onChange({ date })} />
      <ChoiceField
        label={tryWords.spot}
        value={spot}
        options={spots}
        onChange={(value) => onChange({ spot: value })}
      />
      {spot === 'window' && (
        <NumberField
          label={tryWords.facing}
          value={facing}
          limits={DAY_LIMITS.facing}
          onCommit={(value) => onChange({ facing: value })}
        />
      )}
      <NumberField
        label={`${tryWords.shade}, %`}
        value={Number((100 * shade).toFixed(1))}
        limits={{ min: 0, max: 99.9 }}
        onCommit={(value) => onChange({ shade: value / 100 })}
      />
      <SelectField
        label={tryWords.weather}
        value={weather}
        options={weatherOptions}
        onChange={(value) => onChange({ weather: value })}
      />
      <SwitchField label={tryWords.leaves} isOn={leaves} onChange={(value) => onChange({ leaves: value })} />
      <WholeField
        label={tryWords.cars}
        value={headlights}
        limits={DAY_LIMITS.perHour}
        onCommit={(value) => onChange({ headlights: value })}
      />
      {lamps.map((lamp, index) => (
        <LampFields
          key={index}
          lamp={lamp}
          onChange={(change) =>
            onChange({ lamps: lamps.map((one, at) => (at === index ? { ...one, ...change } : one)) })
          }
          onRemove={() => onChange({ lamps: lamps.filter((_, at) => at !== index) })}
        />
      ))}
      {lamps.length > 0 && (
        <ChoiceField
          label={tryWords.mains}
          value={day.mainsHertz}
          options={mains}
          onChange={(value) => onChange({ mainsHertz: value })}
        />
      )}
      <div className={styles.row}>
        {lamps.length < DAY_LIMITS.lamps && (
          <Button
            size="small"
            icon={<PlusOutlined />}
            onClick={() => onChange({ lamps: [...lamps, EVENING] })}
          >
            {tryWords.addLamp}
          </Button>
        )}
        <Button size="small" onClick={() => onChange({ seed: (seed % DAY_LIMITS.seed.max) + 1 })}>
          {tryWords.seed}
        </Button>
      </div>
    </>
  );
}

/** A lamp of an evening, until someone says. */
const EVENING: RoomLamp = { fromMinutes: 18 * 60, toMinutes: 23 * 60, lux: 100, rippleShare: 0.1 };

interface LampFieldsProps {
  readonly lamp: RoomLamp;
  readonly onChange: (change: Partial<RoomLamp>) => void;
  readonly onRemove: () => void;
}

function LampFields({ lamp, onChange, onRemove }: LampFieldsProps) {
  const { fromMinutes, toMinutes, lux, rippleShare } = lamp;
  return (
    <div className={styles.lamp} role="group" aria-label={tryWords.roomLamp}>
      <div className={styles.lightRow}>
        <b>{tryWords.roomLamp}</b>
        <Button
          type="text"
          size="small"
          icon={<DeleteOutlined />}
          aria-label={tryWords.removeLamp}
          onClick={onRemove}
        />
      </div>
      <div className={styles.row}>
        <TimeField
          label={tryWords.from}
          minutes={fromMinutes}
          onChange={(minutes) => minutes !== toMinutes && onChange({ fromMinutes: minutes })}
        />
        <TimeField
          label={tryWords.to}
          minutes={toMinutes}
          onChange={(minutes) => minutes !== fromMinutes && onChange({ toMinutes: minutes })}
        />
      </div>
      <QuantityField
        label={tryWords.lampLux}
        unit="lx"
        value={lux}
        limits={DAY_LIMITS.lampLux}
        onCommit={(value) => onChange({ lux: value })}
      />
      <NumberField
        label={`${tryWords.ripple}, %`}
        value={Number((100 * rippleShare).toFixed(1))}
        limits={{ min: 0, max: 100 }}
        onCommit={(value) => onChange({ rippleShare: value / 100 })}
      />
    </div>
  );
}

/** A day of the calendar; what is none stays typed and changes nothing. */
function DateField({
  value,
  onChange,
}: {
  readonly value: string;
  readonly onChange: (date: string) => void;
}) {
  const id = useId();
  return (
    <div className={styles.row}>
      <label htmlFor={id}>{tryWords.date}</label>
      <Input
        id={id}
        key={value}
        type="date"
        size="small"
        defaultValue={value}
        min="1900-01-01"
        max="2100-12-31"
        style={{ width: 150, marginLeft: 'auto' }}
        onChange={({ target }) => isDate(target.value) && onChange(target.value)}
      />
    </div>
  );
}

interface TimeFieldProps {
  readonly label: string;
  readonly minutes: number;
  readonly onChange: (minutes: number) => void;
}

/** A time of the day. */
export function TimeField({ label, minutes, onChange }: TimeFieldProps) {
  const id = useId();
  return (
    <span className={styles.row}>
      <label htmlFor={id}>{label}</label>
      <Input
        id={id}
        type="time"
        size="small"
        value={dayTimeText(minutes * 60)}
        style={{ width: 124 }}
        onChange={({ target }) => {
          const [hours = NaN, rest = NaN] = target.value.split(':').map(Number);
          const read = hours * 60 + rest;
          if (read >= 0 && read < 1440) onChange(read);
        }}
      />
    </span>
  );
}
