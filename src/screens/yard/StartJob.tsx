'use client'

import { useState } from 'react'
import { useRouter } from 'next/navigation'
import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import Modal from 'react-bootstrap/Modal'
import { type JobKind, jobKinds, type MachineKind, machineKinds, typicalMachines } from '@/core/job'
import { format, type UnitSystem } from '@/core/units'
import { Silhouette } from '@/ui/Silhouette'
import { askForId } from '../ask-for-id'
import { heightIn } from '../height-in'
import { useKnownMachines } from './use-known-machines'
import type { Workshop } from '../workshop/SaysOfItself'
import { Trouble } from '@/ui/Trouble'
import { say } from '@/core/words'

interface Answers {
  title: string
  machineName: string
  owner: string
  kind: MachineKind
  job: JobKind
  units: UnitSystem
  height: string
  model: string
  serial: string
  promisedOn: string
}

/** What has to be said to begin; all the rest is typical until known better. */
export function StartJob({
  workshop,
  onHide,
}: {
  readonly workshop: Pick<Workshop, 'units' | 'heightM'>
  readonly onHide: () => void
}) {
  const router = useRouter()
  const [trouble, setTrouble] = useState<string | null>(null)
  const {
    register,
    handleSubmit,
    watch,
    formState: { errors, isSubmitting },
  } = useForm<Answers>({
    defaultValues: {
      title: '',
      machineName: '',
      owner: '',
      kind: 'trail-bike',
      job: 'core',
      units: workshop.units,
      height: workshop.heightM === null ? '' : format(workshop.heightM, 'height', workshop.units),
      model: '',
      serial: '',
      promisedOn: '',
    },
  })
  const known = useKnownMachines(watch('machineName'), watch('model'))
  const kind = watch('kind')
  const units = watch('units')
  const suits = typicalMachines[kind].jobs
  const job = suits.includes(watch('job')) ? watch('job') : suits[0]!
  const start = async ({ height, promisedOn, machineName, title, job: wanted, ...rest }: Answers): Promise<void> => {
    const heightM = heightIn(height, units)
    if (typeof heightM === 'string') return
    const told = await askForId('/api/jobs', {
      ...rest,
      job: typicalMachines[rest.kind].jobs.includes(wanted) ? wanted : typicalMachines[rest.kind].jobs[0],
      title,
      machineName: machineName.trim() || title,
      ...(heightM === null ? {} : { heightM }),
      promisedOn: promisedOn || null,
    })
    if ('id' in told) router.push(`/jobs/${told.id}`)
    else setTrouble(told.message)
  }
  return (
    <Modal show onHide={onHide} animation={false} size="lg" aria-labelledby="start-title">
      <Form noValidate onSubmit={handleSubmit(start)}>
        <Modal.Header closeButton>
          <Modal.Title as="h2" id="start-title">
            {say`Start a job`}
          </Modal.Title>
        </Modal.Header>
        <Modal.Body>
          <fieldset className="mb-3">
            <legend className="fs-6">{say`Kind of machine`}</legend>
            <div className="kinds">
              {machineKinds.map((k) => (
                <label key={k} className={`border p-2 text-center ${kind === k ? 'border-dark' : ''}`}>
                  <Silhouette kind={k} width={96} />
                  <span className="d-block">
                    <input type="radio" value={k} {...register('kind')} /> {typicalMachines[k].name}
                  </span>
                </label>
              ))}
            </div>
          </fieldset>
          <Form.Group controlId="start-job" className="mb-2">
            <Form.Label className="mb-0">{say`What is to be done`}</Form.Label>
            <Form.Select {...register('job')} value={job}>
              {suits.map((k) => (
                <option key={k} value={k}>
                  {jobKinds[k].name}
                </option>
              ))}
            </Form.Select>
            <Form.Text className="soft">{jobKinds[job].tell}</Form.Text>
          </Form.Group>
          <Form.Group controlId="start-title-field" className="mb-2">
            <Form.Label className="mb-0">{say`Job`}</Form.Label>
            <Form.Control
              maxLength={80}
              placeholder={say`Fell team bike 4`}
              isInvalid={!!errors.title}
              {...register('title', { validate: (v) => v.trim() !== '' })}
            />
            <Form.Control.Feedback type="invalid">{say`Give the job a name.`}</Form.Control.Feedback>
          </Form.Group>
          <Form.Group controlId="start-machine" className="mb-2">
            <Form.Label className="mb-0">{say`Machine, if it has another name`}</Form.Label>
            <Form.Control maxLength={80} list="known-machines" {...register('machineName')} />
            <datalist id="known-machines">
              {[...new Set(known.machines)].map((m) => (
                <option key={m} value={m} />
              ))}
            </datalist>
          </Form.Group>
          <div className="row g-2 mb-2">
            <Form.Group controlId="start-owner" className="col-sm-4">
              <Form.Label className="mb-0">{say`Owner`}</Form.Label>
              <Form.Control maxLength={80} {...register('owner')} />
            </Form.Group>
            <Form.Group controlId="start-model" className="col-sm-4">
              <Form.Label className="mb-0">{say`Model, as its maker calls it`}</Form.Label>
              <Form.Control maxLength={60} list="known-models" {...register('model')} />
              <datalist id="known-models">
                {known.models.map((m) => (
                  <option key={m} value={m} />
                ))}
              </datalist>
            </Form.Group>
            <Form.Group controlId="start-serial" className="col-sm-4">
              <Form.Label className="mb-0">{say`Serial number`}</Form.Label>
              <Form.Control maxLength={60} {...register('serial')} />
            </Form.Group>
          </div>
          <div className="row g-2">
            <Form.Group controlId="start-units" className="col-sm-4">
              <Form.Label className="mb-0">{say`Units`}</Form.Label>
              <Form.Select {...register('units')}>
                <option value="metric">{say`°C, mm`}</option>
                <option value="imperial">{say`°F, in`}</option>
              </Form.Select>
            </Form.Group>
            <Form.Group controlId="start-height" className="col-sm-4">
              <Form.Label className="mb-0">{say`Height above the sea`}</Form.Label>
              <Form.Control
                placeholder={units === 'metric' ? '1150 m' : '3770 ft'}
                isInvalid={!!errors.height}
                {...register('height', {
                  validate: (v, all) => {
                    const read = heightIn(v, all.units)
                    return typeof read === 'string' ? read : true
                  },
                })}
              />
              <Form.Control.Feedback type="invalid">{errors.height?.message}</Form.Control.Feedback>
            </Form.Group>
            <Form.Group controlId="start-promised" className="col-sm-4">
              <Form.Label className="mb-0">{say`Promised for`}</Form.Label>
              <Form.Control type="date" {...register('promisedOn')} />
            </Form.Group>
          </div>
          <Trouble words={trouble} />
        </Modal.Body>
        <Modal.Footer>
          <Button variant="outline-dark" onClick={onHide}>
            {say`Not now`}
          </Button>
          <Button type="submit" disabled={isSubmitting}>
            {say`Start`}
          </Button>
        </Modal.Footer>
      </Form>
    </Modal>
  )
}
