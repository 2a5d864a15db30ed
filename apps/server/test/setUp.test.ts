import { hasShop, inviteOwner } from '../src/store/setUp'
import { HOUSE, harness, operation, sync } from './harness'

describe('a real shop', () => {
  it('is opened once, by the link of the first start, and has its owner’s word alone', async () => {
    const server = await harness('nothing')
    const token = await inviteOwner(server.database)
    if (!token) throw new Error('no word')
    const request = {
      token,
      shop: 'Harbour Pipes',
      name: 'Nell Quayle',
      email: 'Nell@harbour.example',
      password: 'a long enough word',
      zone: 'Europe/Dublin',
      currency: 'EUR',
    }
    expect((await server.post('/api/set-up', { ...request, token: 'guessed' })).status).toBe(403)
    expect((await server.post('/api/set-up', { ...request, password: 'short' })).status).toBe(422)
    expect(await hasShop(server.database)).toBe(false)
    expect((await server.post('/api/set-up', request)).status).toBe(204)
    expect((await server.post('/api/set-up', { ...request, email: 'x@y.example' })).status).toBe(403)
    // a start that finds a shop prints no link
    expect(await inviteOwner(server.database)).toBeNull()
    await expect(server.signIn('nell@harbour.example', 'harbour-demo')).rejects.toThrow(/401/)
    const cookie = await server.signIn('nell@harbour.example', 'a long enough word')
    const { changes } = await sync(server, cookie, [])
    expect(changes).toMatchObject([{ kind: 'settings', fields: { name: 'Harbour Pipes', currency: 'EUR' } }])
    const { results } = await sync(server, cookie, [
      operation({ kind: 'property', id: crypto.randomUUID(), patch: HOUSE }),
    ])
    expect(results[0]?.status).toBe('applied')
    await server.stop()
  })

  it('has a word for a day only, and an earlier one is void', async () => {
    const server = await harness('nothing')
    const old = await inviteOwner(server.database, new Date(Date.now() - 25 * 3_600_000))
    const first = await inviteOwner(server.database)
    const second = await inviteOwner(server.database)
    const request = {
      shop: 'S',
      name: 'N',
      email: 'n@s.example',
      password: 'a long enough word',
      zone: 'UTC',
      currency: 'USD',
    }
    for (const token of [old, first])
      expect((await server.post('/api/set-up', { ...request, token })).status).toBe(403)
    expect((await server.post('/api/set-up', { ...request, token: second })).status).toBe(204)
    await server.stop()
  })
})
