import { existsSync } from 'node:fs'
import type { ServerResponse } from 'node:http'
import { isIP } from 'node:net'
import { hostname } from 'node:os'
import { join } from 'node:path'
import { isPage } from '@tachymetra/core/pages'
import compression from 'compression'
import express, { type Express, type RequestHandler, type Router } from 'express'
import staticGzip from 'express-static-gzip'
import helmet from 'helmet'
import type { Logger } from 'pino'
import { pinoHttp } from 'pino-http'
import { HttpProblem, problemHandler } from './problem.js'
import { attemptRoutes } from './routes/attempts.js'
import { backupRoutes } from './routes/backup.js'
import { boardRoutes } from './routes/board.js'
import { demoRoutes } from './routes/demo.js'
import { exchangeRoutes } from './routes/exchange.js'
import { learnerRoutes } from './routes/learners.js'
import { moveRoutes } from './routes/moves.js'
import { ownRoutes } from './routes/own.js'
import { progressRoutes } from './routes/progress.js'
import { recallRoutes } from './routes/recalls.js'
import { recordRoutes } from './routes/record.js'
import { sessionRoutes } from './routes/sessions.js'
import { settingsRoutes } from './routes/settings.js'
import { sheetRoutes } from './routes/sheets.js'
import type { Database } from './store/database.js'
import type { Chores } from './work/chores.js'
import type { Judge } from './work/judge.js'

export interface AppOptions {
  readonly db: Database
  /** File of the database, and folder for what is put aside, such as the state before a restore. */
  readonly file: string
  readonly data: string
  /** Who judges attempts, and who does what takes long. */
  readonly judge: Judge
  readonly chores: Chores
  readonly log: Logger
  /** Told in a line what the person at the server has to see to. */
  readonly say?: (line: string) => void
  /** Folder of the built browser application; none is served when it is not there. */
  readonly web?: string
  /** True when the server answers to this machine only, under its own names; else under any of its addresses too. */
  readonly loopback: boolean
}

/** Is this Host one of our own: this machine's loopback, and when others are let in, an address or this machine's name? */
export function isOurs(host: string, loopback: boolean): boolean {
  const found = /^(\[[0-9a-f:.]+\]|[^:[\]]+)(?::\d+)?$/i.exec(host)
  if (!found) return false
  const name = found[1]!.replace(/^\[|\]$/g, '').toLowerCase()
  if (name === 'localhost' || name === '::1' || /^127(\.\d{1,3}){3}$/.test(name)) return true
  // No name can be pointed at us by way of an address.
  const own = hostname().toLowerCase()
  return !loopback && (isIP(name) !== 0 || name === own || name === `${own}.local`)
}

/** Files that keep their names from version to version are asked for again each time. */
function askedAgain(response: ServerResponse): void {
  response.setHeader('Cache-Control', 'no-cache')
}

/** Method, path, status and time: no bodies and no addresses, so nothing about a child. */
const logged = (log: AppOptions['log']): RequestHandler =>
  pinoHttp({
    logger: log,
    serializers: {
      req: (request) => ({ method: request.method, url: request.url }),
      res: (response) => ({ status: response.statusCode }),
    },
  })

/** What a browser is told to refuse. */
const guarded = (): RequestHandler =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        // The component library writes its styles into the page as it goes.
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'", 'data:'],
        objectSrc: ["'none'"],
        frameAncestors: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
      },
    },
    strictTransportSecurity: false,
  })

/** Turns away what comes from the page of another site, or under a name that is none of ours. */
const turnedAway =
  (loopback: boolean): RequestHandler =>
  (request, _response, next) => {
    // A page of another site could have us do costly work, although it never reads the answer.
    if (request.headers['sec-fetch-site'] === 'cross-site' && request.path.startsWith('/api'))
      throw new HttpProblem('not-allowed-from-here', 'Pages of other sites are not answered.')
    // A page elsewhere could point its own name at this machine; only our own names are answered.
    if (!isOurs(request.headers.host ?? '', loopback))
      throw new HttpProblem('not-allowed-from-here', 'This server answers under its own address only.')
    next()
  }

/** JSON under /api. */
function apiRoutes({ db, file, data, judge, chores }: AppOptions): Router {
  const api = express.Router()
  api.use((request, response, next) => {
    response.set('Cache-Control', 'no-store')
    // Neither kind can be sent by a plain form of another page.
    const type = request.path.startsWith('/restore') ? 'application/octet-stream' : 'application/json'
    if (request.method !== 'GET' && request.method !== 'HEAD' && !request.is(type))
      throw new HttpProblem('wrong-content-type', `Send the content type ${type}.`)
    next()
  })
  // What is sent to be stored is answered in a few bytes.
  const packing = compression()
  api.use((request, response, next) => (request.method === 'GET' ? packing(request, response, next) : next()))
  api.use(express.json({ limit: 262_144 }))
  api.get('/health', (_request, response) => {
    response.json({ ok: true })
  })
  api.use(
    '/learners',
    learnerRoutes({ db, data, chores }),
    progressRoutes(db),
    settingsRoutes(db),
    moveRoutes(db),
  )
  api.use('/learners', recordRoutes(db), exchangeRoutes(db, judge), ownRoutes(db))
  api.use('/demo', demoRoutes({ db, data, file, chores }))
  api.use('/sessions', sessionRoutes(db))
  api.use('/sheets', sheetRoutes(db))
  api.use('/board', boardRoutes(db))
  api.use('/attempts', attemptRoutes(db, judge))
  api.use('/recalls', recallRoutes(db))
  api.use(backupRoutes(db, data, file, chores))
  api.use((request) => {
    throw new HttpProblem('not-found', `Nothing answers to ${request.method} ${request.path.slice(0, 100)}.`)
  })
  return api
}

/** The browser application; every address of a page leads to it. */
function servePages(app: Express, web: string): void {
  // Packed when it was built: nothing is packed anew for every browser of a room.
  const packed = {
    enableBrotli: true,
    orderPreference: ['br', 'gz'] as ('br' | 'gz')[],
    index: false as const,
  }
  app.use(
    '/assets',
    staticGzip(join(web, 'assets'), {
      ...packed,
      serveStatic: { immutable: true, maxAge: '1y', fallthrough: false },
    }),
  )
  app.use(staticGzip(web, { ...packed, serveStatic: { cacheControl: false, setHeaders: askedAgain } }))
  const page = staticGzip(web, {
    ...packed,
    index: 'index.html',
    serveStatic: { cacheControl: false, setHeaders: askedAgain },
  })
  app.get('/{*path}', (request, response, next) => {
    // Whoever looks for what is not there is told so; the page says it in words.
    if (!isPage(request.path)) response.status(404)
    request.url = '/index.html'
    page(request, response, next)
  })
}

/** The whole HTTP interface: JSON under /api, everything else is the browser application. */
export function createApp(options: AppOptions): Express {
  const { log, say, web, loopback } = options
  const app = express()
  app.disable('x-powered-by')
  // No answer of ours is kept by a browser, so none needs a mark to be asked again by.
  app.disable('etag')
  app.use(logged(log), guarded(), turnedAway(loopback))
  app.use('/api', apiRoutes(options))
  if (web && existsSync(web)) servePages(app, web)
  app.use(problemHandler(say))
  return app
}
