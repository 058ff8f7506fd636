import { parseArgs } from 'node:util'
import { expect, test } from 'vitest'
import { TECHNIQUES } from '../registry/techniques.js'
import { unwantedIn } from '../words/unwanted.js'
import { runCommand as runWith, withSigns } from './command.js'

const runCommand = (name: string, args: readonly string[]) =>
  runWith(name, (options) => parseArgs({ args: withSigns(args), options, allowPositionals: true }))

const json = (name: string, ...args: string[]) => JSON.parse(runCommand(name, [...args, '--json']).out)

test('work --by prints every step', () => {
  const out = json('work', '8341 - 3,675', '--by', 'subtract-hold-drop')
  expect(out).toMatchObject({ problem: '8341-3675', technique: 'subtract-hold-drop', answer: '4666' })
  expect(out.steps[1]).toEqual({
    n: 2,
    action: 'glance',
    place: 3,
    ask: expect.stringContaining('You hold 5. Look right'),
    expect: '4',
    writes: '4___',
    holds: [],
    facts: [],
  })
  expect(out.steps.at(-1).writes).toBe('4666')
})

test('abacus steps print the value on the frame, the rod, the kind of move and the beads', () => {
  const { steps } = json('work', '42+8', '--by', 'soroban-add')
  expect(steps[1]).toMatchObject({
    expect: '50',
    rod: 1,
    kind: 'ten',
    moves: [
      { rod: 1, bead: 'earth', by: -2 },
      { rod: 2, bead: 'heaven', by: 1 },
      { rod: 2, bead: 'earth', by: -4 },
    ],
  })
})

test('what is printed for people is plain, faults as well', () => {
  const said = [
    ['work', '364+278'],
    ['work', '64*33'],
    ['work', '6-9-4'],
    ...TECHNIQUES.map((t) => ['work', t.lesson.example, '--by', t.id]),
    ['work', '3+'],
    ['work', '364+278', '--by', 'guess'],
    ['work', '75^2', '--by', 'add-pairs'],
    ['work', '75^2', '--variant', 'order=x', '--by', 'multiply-crosswise'],
    ['diagnose', '364+278', '--by', 'add-pairs', '--entries', '564; 571'],
    ['diagnose', '364+278', '--by', 'add-pairs', '--entries', 'x'],
    ['problems', 'add-pairs', '--level', '2', '--count', '3'],
    ['problems', 'add-pairs', '--level', '99'],
    ['problems', 'guess'],
    ['nothing'],
    ['work'],
  ].map(([name, ...args]) => runCommand(name!, args))
  // What is typed there keeps its name, for whoever has written it into a script: the ids of techniques and one option.
  const ids = new RegExp(['--school', ...TECHNIQUES.map((t) => t.id)].join('|'), 'g')
  for (const { out, err } of said) expect(unwantedIn((out + err).replace(ids, '')), out + err).toEqual([])
  expect(new Set(said.map((s) => s.code))).toEqual(new Set([0, 2]))
})

test('work alone lists the techniques that fit, least effort first', () => {
  const { answer, techniques } = json('work', '8341-3675')
  expect(answer).toBe('4666')
  expect(techniques[0]).toEqual({
    id: 'subtract-blocks',
    name: 'Blocks of two',
    effort: 11,
    because: '5 facts, 2 carries, at most 4 digits held',
  })
  const efforts = techniques.map((t: { effort: number }) => t.effort)
  expect(efforts).toEqual([...efforts].sort((a, b) => a - b))
  expect(json('work', '6-9-4').techniques).toEqual([])
})

test.each([
  ['564; 634; 642', [], ['right', 'right', 'right'], true, true],
  ['564; 642', [], ['right', 'ahead'], true, true],
  ['564; 571; 634', [], ['right', 'slip', 'right'], false, false],
  ['564; 564; 9', [], ['right', 'so-far', 'wrong'], false, false],
  ['542; 642', ['--support', 'answer'], ['slip', 'right'], true, false],
  ['1; 642', ['--support', 'answer'], ['wrong', 'right'], true, false],
] as [string, string[], string[], boolean, boolean][])(
  'work --entries %s %s',
  (typed, more, verdicts, done, right) => {
    const out = json('work', '364+278', '--by', 'add-running-total', '--entries', typed, ...more)
    expect(out).toMatchObject({ done, right, entries: verdicts.map((verdict) => ({ verdict })) })
    expect(out.entries.map((e: { entry: string }) => e.entry)).toEqual(typed.split('; '))
    const slip = out.entries.find((e: { verdict: string }) => e.verdict === 'slip')
    if (slip) expect(slip.slip).toBe(more.length ? 'carry-lost' : 'wrong-place')
    const text = runCommand('work', ['364+278', '--by', 'add-running-total', '--entries', typed, ...more]).out
    expect(text).toContain(done ? (right ? 'Done, right.' : 'not right at the first try') : 'Not done yet')
  },
)

test.each([
  [['364+278', '--entries', '642'], '--entries needs --by'],
  [['364+278', '--by', 'add-running-total', '--support', 'answer'], '--support needs --entries'],
  [
    ['364+278', '--by', 'add-running-total', '--entries', '642', '--support', 'watch'],
    'guided, steps, answer',
  ],
  [['364+278', '--by', 'add-running-total', '--entries', 'six'], 'six'],
  [['364+278', '--by', 'add-running-total', '--entries', '642; 1'], 'after the end'],
])('work %s is refused', (args, reason) => {
  expect(runCommand('work', args)).toMatchObject({ code: 2, out: '', err: expect.stringContaining(reason) })
})

test('a search that had to end says so', () => {
  const long = [`${'7'.repeat(30)}-${'38'.repeat(15)}`, '--by', 'subtract-hold-drop', '--answer', '1']
  expect(json('diagnose', ...long)).toEqual({ right: false, slips: [], complete: false })
  expect(runCommand('diagnose', long).out).toContain('not everything was tried')
})

test('diagnose names the slip, likeliest first', () => {
  const out = json('diagnose', '364+278', '--by', 'add-running-total', '--answer', '542')
  expect(out.right).toBe(false)
  expect(out.slips[0]).toEqual({ step: 2, place: 1, id: 'carry-lost', remark: expect.stringContaining('13') })
  expect(json('diagnose', '364+278', '--by', 'add-running-total', '--answer', '642')).toEqual({
    right: true,
    slips: [],
  })
})

test('problems are the same for the same seed and other for another', () => {
  const args = ['--technique', 'subtract-hold-drop', '--level', '8', '--count', '20']
  const first = json('problems', ...args, '--seed', '7')
  expect(first).toMatchObject({ technique: 'subtract-hold-drop', level: 8, seed: 7, possible: '1016955' })
  expect(new Set(first.problems).size).toBe(20)
  expect(json('problems', ...args, '--seed', '7')).toEqual(first)
  expect(json('problems', ...args, '--seed', '8').problems).not.toEqual(first.problems)
})

test('problems by parameters: only such as are asked for', () => {
  const out = json(
    'problems',
    '--technique',
    'subtract-complement',
    '--parameter',
    'minuend=5',
    '--parameter',
    'zeroRun=3',
    '--parameter',
    'short=3',
  )
  expect(out.problems).toHaveLength(10)
  for (const text of out.problems) expect(text).toMatch(/^[1-9]\d*000\d*-[1-9]\d{2}$/)
})

test.each([
  ['work', []],
  ['work', ['12+a']],
  ['work', ['1+'.concat('9'.repeat(400))]],
  ['work', ['1+1', '--by', 'magic']],
  ['work', ['6-9-4', '--by', 'add-running-total']],
  ['work', ['1+1', '--by', 'add-running-total', '--school', 'carry=mend']],
  ['work', ['1+1', '--loud']],
  ['diagnose', ['1+1', '--by', 'add-running-total']],
  ['diagnose', ['1+1', '--by', 'add-running-total', '--answer', 'two']],
  ['problems', ['--technique', 'add-running-total', '--level', '0']],
  ['problems', ['--technique', 'add-running-total', '--count', '1e9']],
  ['problems', ['--technique', 'add-running-total', '--seed']],
  ['problems', ['--technique', 'add-running-total', '--parameter', 'digits']],
  ['problems', ['--technique', 'add-running-total', '--parameter', 'digits=99']],
  ['problems', ['--technique', 'add-running-total', '--parameter', 'beads=2']],
  ['problems', ['--technique', 'add-running-total', '--parameter', 'digits=1', '--parameter', 'carries=4']],
  [
    'problems',
    [
      '--technique',
      'multiply-crosswise',
      '--parameter',
      'first=8',
      '--parameter',
      'second=8',
      '--parameter',
      'carries=3',
    ],
  ],
  ['juggle', []],
])('%s %o: exit 2 and one line', (name, args) => {
  const { code, out, err } = runCommand(name, args)
  expect([code, out]).toEqual([2, ''])
  expect(err).toMatch(/^[^\n]+\n$/)
})
