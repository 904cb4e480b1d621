/**
 * A talk with one instrument over a line of text: one question at a time, each with a time and a size that end it. What
 * comes without being asked for is thrown away and never answered; nothing that an instrument sends is ever sent on.
 */
import { InstrumentProblem, type InstrumentCode } from './problem.js';
import { say } from '../words/index.js';

/** A connection, as a socket has it. */
export interface Line {
  write(text: string): void;
  /** What comes in, as it comes. */
  onText(hear: (text: string) => void): void;
  /** It was closed, by whomever. */
  onClose(hear: () => void): void;
  close(): void;
}

/** How long an answer may take and be (chosen: the slowest ranges of a bench meter take some seconds). */
export const SESSION_LIMITS = { answerMs: 5000, mostCharacters: 65_536 } as const;

/** Commands and questions are made here alone: capitals, digits and the signs of SCPI. */
const SAYABLE = /^[A-Z0-9:*?,.;+\- ]{1,120}$/;

/** Asks and tells. */
export interface Session {
  /** @throws InstrumentProblem NO_ANSWER, TOO_MUCH, CUT_OFF, BUSY in plain words. */
  ask(question: string, answerMs?: number, mostCharacters?: number): Promise<string>;
  tell(command: string): void;
  close(): void;
}

interface Waiting {
  readonly done: (answer: string) => void;
  readonly failed: (error: InstrumentProblem) => void;
}

type Later = (run: () => void, ms: number) => () => void;
interface Limits {
  readonly answerMs: number;
  readonly mostCharacters: number;
}

/** Talks over `line`; `later` is setTimeout or what stands for it in a test, and gives what takes it back. */
export const openSession = (line: Line, later: Later, limits: Limits = SESSION_LIMITS): Session =>
  new Talk(line, later, limits);

class Talk implements Session {
  private heard = '';
  private most = 0;
  private waiting: Waiting | null = null;
  private closed = false;

  constructor(
    private readonly line: Line,
    private readonly later: Later,
    private readonly limits: Limits,
  ) {
    line.onText((text) => this.hear(text));
    line.onClose(() => {
      this.closed = true;
      this.fail(
        'CUT_OFF',
        say`The instrument closed the line in the middle of it. Nothing was taken; the last reading stands.`,
      );
    });
  }

  ask(question: string, answerMs = this.limits.answerMs, mostCharacters = this.limits.mostCharacters): Promise<string> {
    if (this.waiting)
      return Promise.reject(new InstrumentProblem('BUSY', say`The instrument is still busy with the last question.`));
    return new Promise((resolve, reject) => {
      const seconds = answerMs / 1000;
      const late = say`The instrument did not answer within ${seconds} s. Is it on, and the address right?`;
      const takeBack = this.later(() => this.fail('NO_ANSWER', late), answerMs);
      this.most = mostCharacters;
      this.waiting = {
        done: (answer) => (takeBack(), resolve(answer)),
        failed: (error) => (takeBack(), reject(error)),
      };
      try {
        this.tell(question);
      } catch (error) {
        this.waiting.failed(error as InstrumentProblem);
        this.waiting = null;
      }
    });
  }

  tell(command: string): void {
    if (!SAYABLE.test(command))
      throw new InstrumentProblem('BAD_COMMAND', say`“${command}” is no command that is sent from here.`);
    if (this.closed) throw new InstrumentProblem('CUT_OFF', say`The line to the instrument is closed: connect again.`);
    this.line.write(`${command}\n`);
  }

  close(): void {
    this.closed = true;
    this.line.close();
  }

  private hear(text: string): void {
    if (!this.waiting) return;
    this.heard += text;
    if (this.heard.length > this.most) {
      this.fail('TOO_MUCH', say`The instrument sends without end: the line was closed. The last reading stands.`);
      return this.close();
    }
    const end = this.heard.indexOf('\n');
    if (end < 0) return;
    const answer = this.heard.slice(0, end).replace(/\r$/, '');
    const { done } = this.waiting;
    // Whatever stands behind the answer was not asked for.
    [this.waiting, this.heard] = [null, ''];
    done(answer);
  }

  private fail(code: InstrumentCode, words: string): void {
    const one = this.waiting;
    [this.waiting, this.heard] = [null, ''];
    one?.failed(new InstrumentProblem(code, words));
  }
}
