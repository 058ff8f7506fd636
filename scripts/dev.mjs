/**
 * npm run dev: compiles core and server as they change, restarts the server (port 4174), and serves the browser
 * application with hot reload on http://127.0.0.1:4173.
 */
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { bin, ensureInstalled, ROOT, runBin, say } from './prepare.mjs'

ensureInstalled()
say('Compiling once...')
runBin('tsc', ['-b', 'core', 'server'])
const children = [
  spawn(process.execPath, [bin('tsc'), '-b', 'core', 'server', '--watch', '--preserveWatchOutput'], {
    cwd: ROOT,
    stdio: 'inherit',
  }),
  spawn(process.execPath, ['--watch', 'scripts/serve.mjs'], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, PORT: '4174' },
  }),
  spawn(process.execPath, [bin('vite')], { cwd: join(ROOT, 'web'), stdio: 'inherit' }),
]
const stop = () => {
  for (const child of children) child.kill('SIGTERM')
}
process.on('SIGINT', stop)
process.on('SIGTERM', stop)
for (const child of children)
  child.on('exit', (code) => {
    stop()
    process.exitCode ||= code ?? 0
  })
