/** A server that reads and checks attempts as ours does, and stores nothing: what storing is measured beside. */
import { createServer } from 'node:http'
import { createRequire } from 'node:module'
import { attemptSchema, check } from '../../core/dist/wire/index.js'

const need = createRequire(new URL('../../server/package.json', import.meta.url))
const load = async (name) => (await import(need.resolve(name))).default
const [express, helmet, pino, { pinoHttp }] = await Promise.all([
  load('express'),
  load('helmet'),
  load('pino'),
  import(need.resolve('pino-http')),
])
const app = express()
app.use(pinoHttp({ logger: pino({ level: 'info' }, { write() {} }) }))
app.use(helmet())
app.use(express.json({ limit: 262_144 }))
app.put('/api/attempts/:id', (request, response) => {
  const result = check(attemptSchema, { ...request.body, id: request.params.id })
  response
    .status('error' in result ? 422 : 200)
    .json({ id: request.params.id, right: true, clean: true, timed: true })
})
const server = createServer(app).listen(0, '127.0.0.1', () => {
  process.stdout.write(`http://127.0.0.1:${server.address().port}\n`)
})
process.on('SIGTERM', () => process.exit(0))
