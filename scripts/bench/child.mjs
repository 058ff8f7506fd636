/** The server as a process of its own, that tells of its event loop and of its processor time. */
import { spawn } from 'node:child_process'
import { ROOT } from '../prepare.mjs'

export async function serverOn(data, args = ['--empty'], script = 'scripts/serve.mjs') {
  const child = spawn(process.execPath, ['--import', './scripts/bench/delay.mjs', script, ...args], {
    cwd: ROOT,
    env: { ...process.env, PORT: '0', HOST: '127.0.0.1', TACHYMETRA_DATA: data },
    stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
  })
  const url = await new Promise((ready, fail) => {
    child.once('exit', () => fail(new Error('The server did not start.')))
    child.stdout.on('data', (chunk) => {
      const address = /http:\/\/\S+/.exec(String(chunk))
      if (address) ready(address[0])
    })
  })
  return {
    url,
    child,
    /** Longest the event loop was held up since last asked, and the processor time so far, in milliseconds. */
    load: () =>
      new Promise((told) => {
        child.once('message', told)
        child.send('load')
      }),
    stop: () =>
      new Promise((gone) => {
        child.once('exit', gone)
        child.kill('SIGTERM')
      }),
  }
}
