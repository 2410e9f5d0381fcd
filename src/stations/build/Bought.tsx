'use client'

import { usePathname } from 'next/navigation'
import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { isDay } from '@/core/build'
import { budgetOf, costOf, soldSeparately } from '@/core/schedule'
import { addBought, choiceEnds, type Job, removeBought, setBudget, setMoney, spendings } from '@/core/job'
import { fixed, parse } from '@/core/units'
import { FormLine, given } from '@/ui/FormLine'
import { QuantityField } from '@/ui/QuantityField'
import { TextField } from '@/ui/TextField'
import type { StationProps } from '../station'
import { useTaken } from '../use-taken'
import { say, spokenWord } from '@/core/words'

type Props = Pick<StationProps, 'job' | 'settle' | 'now'>
type Fields = Readonly<Record<'what' | 'of' | 'number' | 'from' | 'count' | 'price' | 'until', string>>
const nothing: Fields = { what: '', of: 'fan', number: '', from: '', count: '1', price: '', until: '' }

/** A plain number within two ends; null where it is none. */
function plain(text: string, [low, high]: readonly [number, number]): number | null {
  const read = parse(text, 'count', 'metric')
  return read.ok && read.value >= low && read.value <= high ? read.value : null
}

function Buy({ job, settle, now }: Props) {
  const { full, take } = useTaken({ job, settle })
  const {
    register,
    handleSubmit,
    reset,
    setFocus,
    formState: { errors },
  } = useForm<Fields>({ defaultValues: nothing })
  const priced = (text: string): boolean => text.trim() === '' || plain(text, choiceEnds.price) !== null
  return (
    <form
      noValidate
      className="take-off"
      onSubmit={handleSubmit(({ what, of, number, from, count, price, until }) => {
        const entry = {
          what: what.trim(),
          of: spendings.find((s) => s === of) ?? 'other',
          number: number.trim(),
          from: from.trim(),
          count: plain(count, choiceEnds.count) ?? 1,
          price: price.trim() === '' ? null : plain(price, choiceEnds.price),
          warrantyUntil: isDay(until) ? until : null,
          at: now().toISOString(),
        }
        if (!take((j) => addBought(j, entry))) return
        reset(nothing)
        setFocus('what')
      })}
    >
      <FormLine
        id="bought-what"
        label={say`What went in`}
        most={120}
        placeholder={say`fan, controller, coolant`}
        field={register('what', { validate: given })}
        wrong={errors.what && say`Say what it is.`}
      />
      <Form.Group controlId="bought-of">
        <Form.Label className="mb-0">{say`Of the money for`}</Form.Label>
        <Form.Select {...register('of')}>
          {spendings.map((s) => (
            <option key={s} value={s}>
              {spokenWord(s)}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <FormLine id="bought-number" label={say`Number on it`} most={60} field={register('number')} />
      <FormLine id="bought-from" label={say`From`} most={80} field={register('from')} />
      <FormLine
        id="bought-count"
        label={say`How many`}
        inputMode="decimal"
        field={register('count', { validate: (v) => plain(v, choiceEnds.count) !== null })}
        wrong={errors.count && say`A number, 0 to 9999.`}
      />
      <FormLine
        id="bought-price"
        label={say`Price of one`}
        inputMode="decimal"
        field={register('price', { validate: priced })}
        wrong={errors.price && say`A price, or nothing.`}
      />
      <FormLine id="bought-until" label={say`Warranty until`} type="date" field={register('until')} />
      <Button type="submit" variant="outline-dark">
        {say`Note the part`}
      </Button>
      {full && <p className="say say-short">{say`It cannot be noted: ${full}.`}</p>}
    </form>
  )
}

/** What may be spent on what, and what is over; with what no box brings along. */
function Budget({ job, settle }: Pick<Props, 'job' | 'settle'>) {
  const lines = budgetOf(job)
  const separately = soldSeparately(job)
  return (
    <>
      <h3 className="mt-3">{say`Budget`}</h3>
      {(['fan', 'wiring', 'coolant', 'consumables'] as const).map((of) => (
        <QuantityField
          key={of}
          name={`money.budget.${of}`}
          label={say`for ${spokenWord(of)}`}
          value={job.money.budget[of]}
          quantity="count"
          system={job.units}
          range={choiceEnds.price}
          onSettle={(most) => settle((j) => setBudget(j, of, most))}
        />
      ))}
      {lines.map((l) => (
        <p key={l.of} className={`say small mb-1 ${l.over === null ? '' : 'say-short'}`}>
          {say`${spokenWord(l.of)}: ${fixed(l.spent, 2)} spent${
            l.budget === null ? say`, no budget said` : say` of ${fixed(l.budget, 2)}`
          }${l.over === null ? '' : say`, ${fixed(l.over, 2)} over`}${
            l.unpriced ? say`; ${l.unpriced} without a price` : ''
          }.`}
        </p>
      ))}
      {separately.length > 0 && (
        <p className="say say-unsure small">
          {say`Sold separately, and in no price of a box: ${separately
            .map((s) => say`${s.needs} for ${s.part}`)
            .join('; ')}.`}
        </p>
      )}
    </>
  )
}

type Bought = Job['bought'][number]

/** One thing that was bought: what, its number, where, for how long it is good. */
const BoughtLine = ({ bought: b, onTakeOut }: { readonly bought: Bought; readonly onTakeOut: () => void }) => (
  <p className="mb-1">
    {b.count === 1 ? '' : `${b.count} × `}
    {b.what}
    <span className="soft">
      {[b.number && say`no. ${b.number}`, b.from, b.warrantyUntil && say`warranty until ${b.warrantyUntil}`]
        .filter(Boolean)
        .map((w) => `, ${w}`)}
    </span>{' '}
    <button type="button" className="word-button soft" aria-label={say`take out: ${b.what}`} onClick={onTakeOut}>
      {say`take out`}
    </button>
  </p>
)

/** What went into the machine, and what the job costs. */
export function Bought(props: Props) {
  const { job, settle, now } = props
  const path = usePathname()
  const cost = costOf(job, now().toISOString())
  const money = (v: number | null): string => (v === null ? '–' : fixed(v, 2))
  return (
    <section aria-label={say`Parts and cost`}>
      <h3 className="mt-3">{say`Parts`}</h3>
      {job.bought.map((b) => (
        <BoughtLine key={b.id} bought={b} onTakeOut={() => settle((j) => removeBought(j, b.id))} />
      ))}
      <Buy {...props} />
      <Budget job={job} settle={settle} />
      <h3 className="mt-3">{say`Cost`}</h3>
      <QuantityField
        name="money.perHour"
        label={say`an hour costs`}
        value={job.money.perHour}
        quantity="count"
        system={job.units}
        range={choiceEnds.price}
        onSettle={(perHour) => settle((j) => setMoney(j, { perHour }))}
      />
      <TextField
        name="money.currency"
        label={say`in`}
        value={job.money.currency}
        placeholder={say`your money`}
        most={8}
        onSettle={(currency) => settle((j) => setMoney(j, { currency }))}
      />
      <table className="plain-table mt-2">
        <thead>
          <tr>
            <th>{say`what`}</th>
            <th className="text-end">{say`how much`}</th>
            <th className="text-end">{say`each`}</th>
            <th className="text-end">{job.money.currency || say`sum`}</th>
          </tr>
        </thead>
        <tbody>
          {cost.lines.map((l, i) => (
            <tr key={i}>
              <th scope="row">{l.what}</th>
              <td className="figure-text text-end">
                {l.count} {l.unit}
              </td>
              <td className="figure-text text-end">{money(l.each)}</td>
              <td className="figure-text text-end">{money(l.total)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2" role="status">
        {cost.unpriced ? say`At least ${money(cost.total)}: ` : `${money(cost.total)} `}
        {cost.unpriced
          ? say`${cost.unpriced} ${cost.unpriced === 1 ? say`line has` : say`lines have`} no price yet.`
          : say`${cost.currency} in all.`}{' '}
        <a href={`/api${path}/cost.csv`}>{say`as CSV`}</a>, <a href={`/api${path}/invoice.pdf`}>{say`as an invoice`}</a>
        {say`. Before it is built:`} <a href={`/api${path}/estimate.pdf`}>{say`estimate`}</a>,{' '}
        <a href={`/api${path}/estimate.csv`}>{say`its CSV`}</a>.
      </p>
    </section>
  )
}
