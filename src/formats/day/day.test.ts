import { dutySchema } from '../../core/job'
import { example } from '../test-support/examples'
import { dayLength, dayOf, plainLeg, simulate } from '../../core/run'
import { distance, readDayCsv, readGpx, readLogCsv, writeDayCsv, writeLogCsv, writeRunCsv } from '.'

const point = (lat: number, lon: number, ele: number | null, s: number | null): string =>
  `<trkpt lat="${lat}" ` +
  `lon="${lon}">${ele === null ? '' : `<ele>${ele}</ele>`}` +
  `${s === null ? '' : `<time>${new Date(Date.UTC(2026, 0, 10, 9) + 1000 * s).toISOString()}</time>`}</trkpt>`
const track = (points: readonly string[], name = 'over the pass'): string =>
  `<?xml version="1.0"?><gpx version="1.1"><trk><name>${name}</name><trkseg>${points.join('')}</trkseg></trk></gpx>`
const day = (text: string) => {
  const read = readGpx(text, 2)
  if (!read.ok) throw new Error(read.message)
  return read
}

describe('a track', () => {
  // along a meridian a thousandth of a degree is 6 371 000 · π/180 000 = 111.19 m
  const climb = Array.from({ length: 61 }, (_, i) => point(46 + i * 1e-4, 8, 1000 + i * 1.1119, i * 5))
  test('becomes speed, grade and height, by hand: 11.12 m in 5 s, one in ten', () => {
    expect(distance({ lat: 46, lon: 8 }, { lat: 46.001, lon: 8 })).toBeCloseTo(111.19, 1)
    const { day: read, notes } = day(track(climb))
    expect(notes).toEqual([])
    expect(read).toMatchObject({ name: 'over the pass', from: 'track' })
    expect(dayLength(read)).toBeCloseTo(300, 6)
    const last = read.legs.at(-1)!
    expect(last.speedMs).toBeCloseTo(2.22, 2)
    expect(last.grade).toBeCloseTo(0.1, 2)
    expect(last.heightM).toBeCloseTo(1067, 0)
  })
  test('that ends in the middle is read as far as it goes, and said to be cut off', () => {
    expect(day(track(climb).slice(0, -40)).notes.join()).toMatch(/cut off/)
  })
  test('without times goes at slow work’s speed, without heights level, and both are said', () => {
    const { day: read, notes } = day(track(Array.from({ length: 20 }, (_, i) => point(46 + i * 1e-4, 8, null, null))))
    expect(notes.join(' ')).toMatch(/no times.*no heights/)
    expect(read.legs[3]).toMatchObject({ speedMs: 2, heightM: null })
    expect(dayLength(read)).toBeCloseTo((19 * 11.119) / 2, 0)
  })
  test('pauses count as idling, times that go back and jumps are left out and told', () => {
    const broken = [
      ...climb.slice(0, 20),
      point(46.0019, 8, 1021, 20 * 5 + 900),
      point(46.002, 8, 1022, 40),
      point(50, 8, 1022, 1010),
      ...Array.from({ length: 5 }, (_, i) => point(50 + 1e-4 * (i + 1), 8, 1023, 1015 + 5 * i)),
      '<trkpt lat="north" lon="8"/>',
    ]
    const { day: read, notes } = day(track(broken))
    expect(notes.join(' ')).toMatch(/1 points could not be read.*1 points stand at a time.*1 jumps.*1 pauses/)
    expect(read.legs.find((l) => l.seconds > 800)).toMatchObject({ work: 'idle', speedMs: 0 })
  })
  test('of very many points is joined to legs that a run can bear, with its length and its mean speed', () => {
    const many = Array.from(
      { length: 60_000 },
      (_, i) =>
        `<trkpt lat="${(46 + i * 1e-5).toFixed(6)}" ` +
        `lon="8"><ele>1000</ele><time>${new Date(Date.UTC(2026, 0, 10) + 500 * i).toISOString()}</time></trkpt>`,
    )
    const { day: read, notes } = day(track(many))
    expect(read.legs.length).toBeLessThanOrEqual(600)
    expect(dayLength(read)).toBeCloseTo(59_999 / 2, 0)
    for (const l of read.legs) expect(l.speedMs).toBeCloseTo(2.224, 1)
    expect(notes.join()).toMatch(/60000 points, joined/)
  })
  test.each([
    ['', /not a GPX/],
    ['<kml/>', /no <gpx>/],
    [track([]), /fewer than two/],
    [track([point(46, 8, 1, 0), point(46, 8, 1, 0)]), /goes nowhere/],
    ['<gpx><trk>', /fewer than two/],
  ])('that is none is refused in words: %#', (text, words) => {
    const read = readGpx(text, 2)
    expect(read.ok).toBe(false)
    if (!read.ok) expect(read.message).toMatch(words)
  })
})

describe('a day as a table', () => {
  test('written out it reads back the same, by the job’s own readings where nothing is written', () => {
    const bike = example('fell-bike-short-at-idle')
    const own = {
      name: 'x',
      from: 'hand' as const,
      legs: [
        plainLeg('leg1', 'start', 'slow', 5),
        plainLeg('leg2', 'climb', 'slow', 20, { speedMs: 2.5, loadShare: 0.2, rpm: 3000, airC: 21.5 }),
        plainLeg('leg3', 'rest', 'off', 10),
      ],
    }
    const read = readDayCsv(writeDayCsv(own), 'x')
    if (!read.ok) throw new Error(read.message)
    expect(
      read.day.legs.map(({ seconds, speedMs, loadShare, rpm, airC, work }) => ({
        seconds,
        speedMs,
        loadShare,
        rpm,
        airC,
        work,
      })),
    ).toEqual(
      own.legs.map(({ seconds, speedMs, loadShare, rpm, airC, work }) => ({
        seconds,
        speedMs,
        loadShare: work === 'off' ? 0 : loadShare,
        rpm,
        airC,
        work,
      })),
    )
    expect(simulate({ ...bike, duty: read.day })!.peakC).toBeCloseTo(simulate({ ...bike, duty: own })!.peakC, 6)
  })
  test('keeps the kind of each leg, reads miles and feet and hours as such; what work there is none of is said', () => {
    const legs = (['towed', 'alone', 'charger', 'heavy'] as const).map((work, i) =>
      plainLeg(`leg${i + 1}`, work, work, 10),
    )
    const back = readDayCsv(writeDayCsv({ name: 'x', from: 'hand', legs }), 'x')
    expect(back.ok && back.day.legs.map((l) => l.work)).toEqual(['towed', 'alone', 'charger', 'heavy'])
    const miles = readDayCsv('time_h,speed_mph,alt_ft,work\n0.5,30,1000,dancing\n', 'x')
    expect(miles).toMatchObject({ ok: true, day: { legs: [{ seconds: 1800, speedMs: 13.41, heightM: 305 }] } })
    expect(miles.ok && miles.notes.join()).toMatch(/No such work: dancing/)
  })
  test('decimal commas, semicolons and Fahrenheit are read; what cannot be is named with its line', () => {
    const read = readDayCsv('minutes;speed_kmh;load_share;rpm;ambient_f;grade_pct\n12,5;9;0,18;3000;68;\n0;;;;;\n', 'x')
    expect(read).toMatchObject({ ok: true, day: { legs: [{ seconds: 750, loadShare: 0.18, airC: 20, speedMs: 2.5 }] } })
    expect(readDayCsv('minutes,speed_kmh\n5,fast\n', 'x')).toMatchObject({
      ok: false,
      message: expect.stringMatching(/Line 2: "fast" cannot be a speed/) as string,
    })
    expect(readDayCsv('speed_kmh,rpm\n5,1000\n', 'x')).toMatchObject({
      ok: false,
      message: expect.stringMatching(/no column of minutes/) as string,
    })
    expect(readDayCsv('minutes,rpm\n0,1000\n', 'x')).toMatchObject({ ok: false })
    expect(readDayCsv('minutes,rpm\n2000,1000\n2000,1000\n', 'x')).toMatchObject({
      ok: false,
      message: expect.stringMatching(/longer than 48 hours/) as string,
    })
    expect(readDayCsv('', 'x')).toMatchObject({ ok: false })
  })
})

describe('a log', () => {
  const log = (text: string, volts = 12) => {
    const read = readLogCsv(text, volts)
    if (!read.ok) throw new Error(read.message)
    return read
  }
  test('with semicolons, decimal commas, Fahrenheit, repeated and backward times', () => {
    const {
      log: l,
      notes,
      columns,
    } = log(
      'Time [s];Coolant °F;Fan volts;Ambient ' +
        '°F\n0;176,0;0,1;59\n10;185;13,9;59\n10;200;13,9;59\n5;180;0;59\n20;194;13,8;\n30;194;13,8;\nlater;x;y;z\n',
    )
    expect(l.t).toEqual([0, 10, 20, 30])
    expect(l.coolantC).toEqual([80, 85, 90, 90].map((c): unknown => expect.closeTo(c, 6)))
    expect(l.fan).toEqual([0, 1, 1, 1])
    expect(l.airC).toEqual([15, 15, 15, 15].map((c): unknown => expect.closeTo(c, 6)))
    expect(notes.join(' ')).toMatch(/1 lines could not be read.*already past.*repeat a time/)
    expect([columns.coolant?.unit, columns.air?.unit, columns.time?.unit]).toEqual(['°F', '°F', 's'])
  })
  test('with clock times and words for the fan; coolant that can only be Fahrenheit is taken so', () => {
    expect(log('time,coolant,fan\n9:00:00,185,off\n9:00:30,190,on\n9:01:00,195,ON\n').log).toMatchObject({
      t: [0, 30, 60],
      fan: [0, 1, 1],
      coolantC: [expect.closeTo(85, 6), expect.anything(), expect.anything()],
    })
  })
  test('each column in the unit of its own heading; what only sounds like coolant is not taken for it', () => {
    const text = 'time_min,gps_direction,coolant_f,ambient_c,speed_mph\n0,10,176,15,30\n1,350,185,15,30\n'
    const { log: l, columns, headings } = log(text)
    expect([l.t, l.coolantC[0], l.airC![0]]).toEqual([[0, 60], expect.closeTo(80, 6), 15])
    expect(l.speedMs![0]).toBeCloseTo(13.41, 2)
    expect(columns).toMatchObject({ coolant: { heading: 'coolant_f', unit: '°F' }, air: { unit: '°C' }, fan: null })
    expect(headings).toHaveLength(5)
    expect(readLogCsv('time,gps_direction\n1,80\n2,81\n', 12)).toMatchObject({
      ok: false,
      headings: ['time', 'gps_direction'],
    })
    // by hand, whatever it is called; and a column that is none of it is let go
    const chosen = readLogCsv('time,temp1,temp2,fan\n0,20,80,on\n9,20,81,on\n', 12, {
      coolant: 'temp2',
      air: 'temp1',
      fan: null,
    })
    expect(chosen).toMatchObject({ ok: true, log: { coolantC: [80, 81], airC: [20, 20], fan: null } })
  })
  test('made up and written out reads back the same', () => {
    const made = {
      t: [0, 5, 10],
      coolantC: [20.5, 21, 22.25],
      probeC: [20, 20.5, 21],
      fan: [0, 0, 1],
      airC: [18, 18, 18],
      speedMs: [0, 2.5, 5],
      rpm: [1700, 1700, 3200],
      loadShare: [0.04, 0.04, 0.18],
    }
    expect(log(writeLogCsv(made)).log).toEqual({
      ...made,
      speedMs: made.speedMs.map((v): unknown => expect.closeTo(v, 2)),
    })
  })
  test.each([
    ['a,b\n1,2\n', /no column of times/],
    ['time,oil\n1,2\n', /no column of coolant/],
    ['time,coolant\nx,y\n', /No line/],
    ['time,coolant\n3,80\n2,81\n1,82\n4,82\n', /already past/],
    ['time,coolant\n1,900\n2,950\n', /no coolant/],
  ])('that cannot be one is refused in words: %#', (text, words) => {
    const read = readLogCsv(text, 12)
    expect(read.ok).toBe(false)
    if (!read.ok) expect(read.message).toMatch(words)
  })
})

test('a run as a table has a line for every kept second, with its heading', () => {
  const bike = example('fell-bike-short-at-idle')
  const lines = writeRunCsv(simulate(bike)!).trim().split('\n')
  expect(lines[0]).toBe(
    't_s,coolant_c,metal_c,outlet_c,probe_c,fan_share,fan_speed,battery_v,battery_share,thermostat,boiling',
  )
  expect(lines.length - 1).toBeGreaterThanOrEqual(dayLength(dayOf(bike)))
  expect(lines.slice(1).every((l) => l.split(',').length === 11 && !/NaN|Infinity/.test(l))).toBe(true)
})

test('a day that is read is a day that is saved: no height, speed or grade that the document refuses', () => {
  const track = `<gpx><trk><trkseg>${Array.from(
    { length: 12 },
    (_, i) =>
      `<trkpt lat="${46 + i * 0.0005}" lon="8"><ele>${i === 5 ? 6562 : 1200}</ele>` +
      `<time>${new Date(Date.UTC(2026, 0, 10, 9, 0, 20 * i)).toISOString()}</time></trkpt>`,
  ).join('')}</trkseg></trk></gpx>`
  const read = readGpx(track, 2)
  if (!read.ok) throw new Error(read.message)
  expect(dutySchema.safeParse(read.day).success).toBe(true)
  expect(read.notes.join(' ')).toMatch(/1 point has a height that cannot be/)
  expect(readDayCsv('minutes,speed_kmh\n10,290\n', 'fast')).toEqual({
    ok: false,
    message: 'Line 2: "290" cannot be a speed; it is between 0 and 288.',
  })
  const fast = readDayCsv('minutes,speed_kmh\n10,288\n', 'fast')
  expect(fast.ok && dutySchema.safeParse(fast.day).success).toBe(true)
})
