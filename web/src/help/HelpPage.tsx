import { Link } from 'react-router'
import { Wide } from '../charts/Wide.js'
import { KeyTable } from '../entry/KeyTable.js'
import { Words } from '../written/Words.js'
import './help.css'

/** How the program is used, in a page. */
export default function HelpPage() {
  return (
    <div className="stack help">
      <h1>Help</h1>
      <section className="stack" aria-labelledby="day">
        <h2 id="day">Your day</h2>
        <p>
          The <Link to="/">desk</Link> says what to practise today and why. Press Begin, and after each part
          the next one is one button away. Four minutes a day are enough; you can do more. Missed a day? You
          need not catch up.
        </p>
        <p>You can also choose for yourself: any technique, any level, with as much help as you like.</p>
      </section>
      <section className="stack" aria-labelledby="help-levels">
        <h2 id="help-levels">How much help</h2>
        <dl className="terms">
          <dt>Watch</dt>
          <dd>One problem is worked for you, step by step.</dd>
          <dt>Guided</dt>
          <dd>Each step is asked in words. You give its value.</dd>
          <dt>Steps only</dt>
          <dd>The place is lit. You know what to do there.</dd>
          <dt>Answer only</dt>
          <dd>Only the problem, and the clock if you want it.</dd>
        </dl>
        <p>You can change it in the middle of a problem. The same problem goes on.</p>
      </section>
      <section className="stack" aria-labelledby="mistakes">
        <h2 id="mistakes">When a value is wrong</h2>
        <p>
          The program says what the mistake probably was, and you try again. A wrong value is kept in the
          record, so that the plan knows what to practise. After the problem you can check the answer quickly:
          nines, elevens, last digit, size, and the way back.
        </p>
      </section>
      <section className="stack" aria-labelledby="choosing">
        <h2 id="choosing">Choosing a way, checking an answer</h2>
        <p>
          Once you know several techniques, <Link to="/choose">Choose</Link> mixes them, asks whether a trick
          fits at all, and lets you work the same problems in two ways. Your times say which suits you better.
        </p>
        <p>
          There you also learn to check finished work without doing it again. A check can be asked before each
          verdict: you find it at the desk, under "Before the verdict".
        </p>
      </section>
      <section className="stack" aria-labelledby="papers">
        <h2 id="papers">Papers</h2>
        <p>
          <Link to="/papers">Papers</Link> are mixed items against one clock, easy ones first. Nothing is said
          until the end. Skip what would take too long. A star means: about right is right, within 5 percent.
        </p>
        <p>
          If you leave the page, the clock goes on; if you reload it, you go on where you were. Afterwards
          each item you missed shows its quick way, and you can work it again.
        </p>
        <p>
          In a <Link to="/papers/rounds">round</Link> each problem has its seconds; at the bell the answer and
          its steps come by themselves. A <Link to="/papers/trials">trial</Link> is the same kind of test
          every time, so that you can see how you get better.
        </p>
        <p>
          <Link to="/papers/own">Own problems</Link> are typed or pasted from a book, and kept by a name.
          <Link to="/papers/sheets"> Printed sheets</Link> are for a room without devices. Each has a code:
          type it, and the answers can be keyed in afterwards.
        </p>
      </section>
      <More />
    </div>
  )
}

/** Places and words. */
function More() {
  return (
    <>
      <section className="stack" aria-labelledby="board">
        <h2 id="board">In front of a class</h2>
        <p>
          The <Link to="/board">board</Link> shows one problem to a whole room. Page Down asks for the next
          step, and Page Down again tells it; so a clicker is enough. N brings the next problem, C is the
          clock, the arrows up and down make it harder and easier. Type how many hands are up, then Enter.
        </p>
      </section>
      <section className="stack" aria-labelledby="keys">
        <h2 id="keys">Keys in practice</h2>
        <Wide label="Every key">
          <KeyTable />
        </Wide>
        <p>
          Where there are answers to choose from, type the letter of one, or the value itself, and press
          Enter; or press it on screen. Two digits that make ten are typed with a plus between them: 3+7.
        </p>
        <p>On a touch screen there is a keypad, and everything else has a button.</p>
      </section>
      <section className="stack" aria-labelledby="words">
        <h2 id="words">Words you will meet</h2>
        <dl className="terms">
          <dt>Fact</dt>
          <dd>
            <Words>A small sum, difference or product that you know at once, like 7 × 8.</Words>
          </dd>
          <dt>Level</dt>
          <dd>How hard the problems are. You move up when you are right and quick enough.</dd>
          <dt>Target</dt>
          <dd>
            The time to aim for at a level. If you are slower, it is a little less than the time you take.
            Settings can give you more of it.
          </dd>
          <dt>Known, due again</dt>
          <dd>You could do it. It is asked again before you forget it.</dd>
          <dt>Carry, borrow</dt>
          <dd>One more for the digit on the left, or one less.</dd>
          <dt>So far</dt>
          <dd>
            A number on the way to what is asked, as 24 in 24 + 21. You may type it, nothing is counted, and
            you go on. Say it once too often and it is taken as your answer.
          </dd>
          <dt>Held in mind</dt>
          <dd>A number to remember until you need it. On a hand the thumb counts five, each finger one.</dd>
        </dl>
      </section>
      <section className="stack" aria-labelledby="needs">
        <h2 id="needs">If it is too fast, too small or hard to press</h2>
        <p>
          <Link to="/settings/learner">Reading and time</Link> has what can help: larger text, more contrast,
          more time or no time limit, no clock and no seconds, reading aloud, keys on screen at either side,
          the system’s own keyboard or dictation, and your own abacus.
        </p>
        <p>
          Everything works with the keyboard alone and with a screen reader: the answer field says the problem
          and the question, and what comes of an answer is said once. Flash has a still list, which waits for
          you. A sound never tells more than the screen does.
        </p>
      </section>
      <section className="stack" aria-labelledby="coaches">
        <h2 id="coaches">For coaches and parents</h2>
        <p>
          Every number the program goes by stands in <Link to="/settings/learner/levels">Settings</Link> and
          can be changed for one learner: minutes a day, targets, level rules, text size, extra time, and
          whether targets and limits follow the learner’s own pace. The record of each learner can be printed,
          saved as PDF or exported as a table. A backup holds everything of everybody in one file.
        </p>
        <p>
          A learner who is removed can be brought back for 30 days. Levels set by hand, imports, and items
          left out of the plan are undone with one press.
        </p>
      </section>
      <section className="stack" aria-labelledby="server">
        <h2 id="server">When the server does not answer</h2>
        <p>
          Go on practising. What you do is saved in this browser and sent when the server is back. The line at
          the top says how much is waiting.
        </p>
      </section>
      <p>
        <Link to="/about">About this program</Link>
      </p>
    </>
  )
}
