import { HttpErrorResponse } from '@angular/common/http';
import { Component, input } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { BehaviorSubject, NEVER, of, Subject, throwError } from 'rxjs';
import type { Observable } from 'rxjs';
import type { Asked } from '../src/app/state/answered';
import { answered, messageOf } from '../src/app/state/answered';
import { AnswerState } from '../src/app/ui/answer';

const asking = <A, T>(about: Observable<A | undefined>, ask: (about: A) => Observable<T>): Asked<T> =>
  TestBed.runInInjectionContext(() => answered(about, ask));

const fault = new Error('The fuse is gone.');
const failing = <T = string>(): Observable<T> => throwError(() => fault);

describe('an answer', () => {
  it('that fails is told and not asked for again by itself, only when somebody does', () => {
    jest.useFakeTimers();
    let questions = 0;
    const it = asking(of('x'), () => {
      questions++;
      return failing();
    });
    jest.advanceTimersByTime(60_000);
    expect([questions, it(), it.failure()]).toEqual([1, undefined, 'The fuse is gone.']);
    it.again();
    expect(questions).toBe(2);
    jest.useRealTimers();
  });

  it('that fails leaves the one from before, and every later one comes', () => {
    const about = new BehaviorSubject(1);
    const it = asking(about, (n) => (n === 2 ? failing<number>() : of(n * 10)));
    expect(it()).toBe(10);
    about.next(2);
    expect([it(), it.failure()]).toEqual([10, 'The fuse is gone.']);
    about.next(3);
    expect([it(), it.failure()]).toEqual([30, undefined]);
  });

  it('that is thrown instead of given counts as failed', () => {
    const it = asking(of(1), () => {
      throw new Error('Never got so far.');
    });
    expect(it.failure()).toBe('Never got so far.');
  });

  it('is said to be under way only when it takes a while', () => {
    jest.useFakeTimers();
    const answer = new Subject<string>();
    const it = asking(of('x'), () => answer);
    jest.advanceTimersByTime(299);
    expect(it.waits()).toBe(false);
    jest.advanceTimersByTime(1);
    expect(it.waits()).toBe(true);
    answer.next('here');
    expect([it(), it.waits()]).toEqual(['here', false]);
    jest.useRealTimers();
  });

  it('to a question that was overtaken does not count', () => {
    const about = new BehaviorSubject('slow');
    const slow = new Subject<string>();
    const it = asking(about, (what) => (what === 'slow' ? slow : of('quick')));
    about.next('quick');
    slow.next('slow');
    expect(it()).toBe('quick');
  });

  it('is nothing where nothing is asked', () => {
    const about = new BehaviorSubject<number | undefined>(1);
    const it = asking(about, (n) => of(n));
    about.next(undefined);
    expect(it()).toBeUndefined();
  });

  it('of the server that does not come says that the program cannot be reached', () => {
    expect(messageOf(new HttpErrorResponse({ status: 0 }))).toMatch(/cannot be reached/);
  });
});

@Component({
  selector: 'ft-host',
  imports: [AnswerState],
  template: '<ft-answer [of]="of()" what="the sums" />',
})
class Host {
  readonly of = input.required<Asked<unknown>>();
}

describe('the line of an answer', () => {
  const shown = (of: Asked<unknown>) => {
    const fixture = TestBed.createComponent(Host);
    fixture.componentRef.setInput('of', of);
    fixture.detectChanges();
    return fixture;
  };
  const textOf = (element: HTMLElement): string => element.textContent.replace(/\s+/g, ' ').trim();

  it('offers a failed one again, and is gone when it is here', () => {
    let isMended = false;
    const it = asking(of(1), () => (isMended ? of('here') : failing()));
    const fixture = shown(it);
    const element = fixture.nativeElement as HTMLElement;
    expect(textOf(element)).toBe('▲Could not work out the sums: The fuse is gone.Again');
    isMended = true;
    element.querySelector('button')!.click();
    fixture.detectChanges();
    expect(textOf(element)).toBe('');
  });

  it('says that what is seen is from before', () => {
    const about = new BehaviorSubject(1);
    const it = asking(about, (n) => (n === 1 ? of('old') : failing()));
    about.next(2);
    expect(textOf(shown(it).nativeElement as HTMLElement)).toContain('What you see is from before.');
  });

  it('says that it is worked out while it takes long', () => {
    jest.useFakeTimers();
    const it = asking(of(1), () => NEVER);
    jest.advanceTimersByTime(400);
    jest.useRealTimers();
    expect(textOf(shown(it).nativeElement as HTMLElement)).toBe('Working out the sums …');
  });
});
