import { ApiError, day, removedLately, setUp, signIn, sync } from './api'

const answers = (status: number, body: unknown, type = 'application/json') => {
  const fetch = jest.fn(async () => ({
    ok: status < 400,
    status,
    headers: new Headers({ 'content-type': type }),
    json: async () => body,
  }))
  globalThis.fetch = fetch as never
  return fetch as jest.Mock
}
const asked = (fetch: jest.Mock) => {
  const [path, { method, body }] = fetch.mock.calls[0] as [string, { method: string; body?: string }]
  return [method, path, body === undefined ? null : JSON.parse(body)]
}

describe('what is asked of the server', () => {
  it('goes to its own address, as JSON', async () => {
    const request = {
      token: 'once',
      shop: 'Shop',
      name: 'Owner',
      email: 'o@example',
      password: 'long enough',
    }
    const put = answers(204, null)
    await setUp(request as never)
    expect(asked(put)).toEqual(['POST', '/api/set-up', request])
    const list = answers(200, { removed: [{ id: 'a' }] })
    expect(await removedLately()).toEqual([{ id: 'a' }])
    expect(asked(list)).toEqual(['GET', '/api/removed', null])
    const exchange = answers(200, { cursor: 3 })
    expect(await sync('g', 2, [])).toEqual({ cursor: 3 })
    expect(asked(exchange)).toEqual(['POST', '/api/sync', { generation: 'g', since: 2, operations: [] }])
    const first = answers(200, { changes: [1] })
    expect(await day()).toEqual([1])
    expect(asked(first)).toEqual(['GET', '/api/day', null])
    answers(200, {})
    expect(await day()).toEqual([])
  })

  it('fails with what the server said, each fault with its place', async () => {
    answers(
      422,
      {
        title: 'The request has faults',
        faults: [
          { path: 'email', message: 'is no address' },
          { path: 'password', message: 'is too short' },
        ],
      },
      'application/problem+json',
    )
    const fault = await signIn('x', 'y').catch((error: unknown) => error)
    expect(fault).toBeInstanceOf(ApiError)
    expect(fault).toMatchObject({
      status: 422,
      message: 'The request has faults. email: is no address; password: is too short',
    })
    answers(502, null, 'text/html')
    expect(await signIn('x', 'y').catch((error: unknown) => error)).toMatchObject({
      status: 502,
      message: 'Error 502',
    })
    globalThis.fetch = jest.fn(async () => {
      throw new TypeError('no network')
    }) as never
    expect(await signIn('x', 'y').catch((error: unknown) => error)).toMatchObject({ status: 0 })
  })
})
