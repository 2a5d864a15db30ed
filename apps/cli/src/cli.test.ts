import { diarmos, diarmosFromSources, tidy } from '../test/diarmos'

afterAll(tidy)

describe('the command line', () => {
  it('answers in JSON', () => {
    const { status, stdout } = diarmosFromSources(['units'], JSON.stringify({ text: '2-11/16"' }))
    expect(status).toBe(0)
    expect(JSON.parse(stdout)).toMatchObject({ ok: true, mm: 68.2625, printed: '2 11/16"' })
  })
  it('identifies the pipe that is only described by a string and a scratch', () => {
    const observations = [
      { id: '1', kind: 'outside', instrument: 'string', mm: 50.8, resolutionMm: 1.5875 },
      { id: '2', kind: 'sign', sign: 'scratch', answer: 'copper' },
    ]
    const { stdout } = diarmos(['identify'], JSON.stringify({ observations }))
    expect(JSON.parse(stdout).classes[0]).toMatchObject({ classId: 'copper.CTS.1/2' })
  })
  it('exits with 2 and the path of each fault', () => {
    const { status, stderr, stdout } = diarmos(
      ['identify'],
      '{"observations":[{"id":"1","kind":"print","text":""}]}',
    )
    expect([status, stdout]).toEqual([2, ''])
    expect(stderr).toContain('observations.0.text')
  })
  it('says what is not JSON, and which operations there are', () => {
    expect(diarmos(['mate'], 'not json')).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('not JSON'),
    })
    expect(diarmos(['dig'])).toMatchObject({ status: 2, stderr: expect.stringContaining('identify') })
    expect(JSON.parse(diarmos(['schema', 'mate']).stdout)).toMatchObject({ type: 'object' })
  })
})
