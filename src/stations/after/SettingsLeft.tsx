'use client'

import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { settingsNow } from '@/core/build'
import { leaveSetting, settingPurposes } from '@/core/job'
import { format } from '@/core/units'
import { FormLine, given } from '@/ui/FormLine'
import { useName } from '@/ui/use-name'
import type { StationProps } from '../station'
import { useTaken } from '../use-taken'
import { Day } from '@/ui/Day'
import { say, spokenWord } from '@/core/words'

type Props = Pick<StationProps, 'job' | 'settle' | 'now'>
interface Fields {
  readonly purpose: (typeof settingPurposes)[number]
  readonly why: string
  readonly by: string
}

/** What each controller was left at, when, by whom and why; the next season begins with it. */
export function SettingsLeft({ job, settle, now }: Props) {
  const [name, remember] = useName()
  const { full, take } = useTaken({ job, settle })
  const {
    register,
    handleSubmit,
    reset,
    formState: { errors },
  } = useForm<Fields>({ values: { purpose: 'working', why: '', by: name } })
  const settings = settingsNow(job)
  if (!settings.length) return null
  const celsius = (c: number): string => format(c, 'temperature', job.units, 3)
  const leave = ({ purpose, why, by }: Fields): void => {
    const at = now().toISOString()
    remember(by.trim())
    const done = take((j) =>
      settings.reduce<ReturnType<typeof leaveSetting>>((next, { controller, startsC, stopsC }) => {
        if ('full' in next) return next
        return leaveSetting(next, { controller, startsC, stopsC, purpose, why: why.trim() }, { by: by.trim(), at })
      }, j),
    )
    if (done) reset({ purpose, why: '', by })
  }
  return (
    <section aria-label={say`Settings as left`}>
      <h2 className="mt-4">{say`Settings as left`}</h2>
      {job.settings.map((s) => (
        <p key={s.id} className="small mb-1">
          <Day at={s.at} />
          {say`, ${spokenWord(s.purpose)}: starts ${celsius(s.startsC)}, stops ${celsius(s.stopsC)}; ${s.why}
            (${s.by})`}
        </p>
      ))}
      <p className="small soft">
        {say`Now chosen at Trigger: ${settings
          .map((n) => say`starts ${celsius(n.startsC)}, stops ${celsius(n.stopsC)}${n.suffix}`)
          .join('; ')}.`}
      </p>
      <Form noValidate className="take-off" onSubmit={handleSubmit(leave)}>
        <Form.Group controlId="left-purpose">
          <Form.Label className="mb-0">{say`It is the setting for`}</Form.Label>
          <Form.Select {...register('purpose')}>
            {settingPurposes.map((p) => (
              <option key={p} value={p}>
                {spokenWord(p)}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <FormLine
          id="left-why"
          label={say`Why it was left so`}
          most={300}
          placeholder={say`above the engine thermostat, clear of the boil`}
          field={register('why', { validate: given })}
          wrong={errors.why && say`Say why.`}
        />
        <FormLine
          id="left-by"
          label={say`Name`}
          most={80}
          field={register('by', { validate: given })}
          wrong={errors.by && say`Say who.`}
        />
        <Button type="submit" variant="outline-dark">
          {say`Keep it as left`}
        </Button>
        {full && <p className="say say-short">{say`It cannot be kept: ${full}.`}</p>}
      </Form>
    </section>
  )
}
