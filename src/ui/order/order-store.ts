/** What the rooms of the order read: the step in hand, its progress, the names of areas and needles, moves. */
import { dropStep } from '@/core/order/drop';
import type { Step } from '@/core/order/order';
import type { Plan } from '@/core/plan';
import type { Operation } from '@/core/stage';
import { editPiece, say, useDesk } from '@/desk/store';
import { words } from '@/units/units';

export const progressOf = (plan: Plan, id: string) => plan.work.progress.find((p) => p.id === id)!;
export const isDone = (plan: Plan, id: string): boolean => (progressOf(plan, id)?.share ?? 0) >= 1;

/** The step in hand; else the first one left. */
export function useStep(): { plan: Plan; step: Step } | null {
  const plan = useDesk((s) => s.plan);
  const id = useDesk((s) => s.view.stepId);
  if (!plan || plan.work.steps.length === 0) return null;
  const { steps } = plan.work;
  const step =
    steps.find((s) => s.operation.id === id) ?? steps.find((s) => !isDone(plan, s.operation.id)) ?? steps[0]!;
  return { plan, step };
}

/** Puts a step in the place of another one, where the work allows it; what forbids it is said. */
export function moveOnto(id: string, onto: string): void {
  const { plan, piece, settings } = useDesk.getState();
  if (!plan || !piece) return;
  const drop = dropStep(plan.work.steps, piece.work.moves, id, onto);
  if (!drop.ok) {
    say(words(drop.says, settings));
    return;
  }
  editPiece((d) => void (d.work.moves = [...drop.moves]));
}

/** A name for what a step belongs to. */
export function placeName(plan: Plan, { about }: Pick<Operation, 'about'>): string {
  const named = (list: readonly { readonly id: string; readonly name: string }[], other: string): string =>
    list.find((x) => x.id === about.id)?.name ?? other;
  switch (about.kind) {
    case 'area':
      return named(plan.coat.areas, 'Coat');
    case 'part':
      return named(plan.core.parts, 'Core');
    case 'flat part':
      return named(plan.flatParts, 'Flat parts');
    case 'small thing':
      return named(plan.things, 'Small things');
    case 'marking':
      return 'Markings';
    case 'core':
      return 'Core';
    case 'frame':
      return 'Wire';
    case 'photographs':
      return 'Photographs';
    case 'finish':
      return 'Finish';
    default:
      return 'Face';
  }
}

const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;
export const weekdayName = (i: number): string => WEEKDAYS[i]!;

export const dateWords = (iso: string): string =>
  new Intl.DateTimeFormat('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  }).format(new Date(`${iso}T00:00:00Z`));

/** Whether no plan can be done sooner, in words. */
export function soonest(plan: Plan): string {
  const { sittings, earliestDay, earliestDate } = plan.work;
  const last = sittings[sittings.length - 1];
  if (!last) return '';
  if (last.day <= earliestDay) return 'It cannot be done sooner.';
  return `No plan could be done before ${earliestDate ? dateWords(earliestDate) : `day ${earliestDay + 1}`}.`;
}
