// Leading exits by hand: dragging a thread's end or an exit's dot onto a row, and putting a step into a thread.
import { layoutOf, light, shape, threadsOf } from './threads.js';

const FAR_ENOUGH = 6;

/**
 * @param {Element} script
 * @param {() => Element} rows
 * @param {{lead: (ways: {step: string, exit: string}[], target: string) => void, insert: (thread: object, above: number) => void}} act
 */
export function leading(script, rows, act) {
  let drag = null;
  const plus = document.createElement('button');
  plus.type = 'button';
  plus.className = 'thread-plus';
  plus.textContent = '+';
  plus.title = 'Put a step in here';
  plus.setAttribute('aria-label', 'Put a step into this thread');
  plus.hidden = true;
  script.append(plus);

  const stepAt = (index) => rows().querySelectorAll('.row')[index]?.dataset.step;

  /** What a press at an element begins to lead: an exit by its dot, a step's way on by its mark, a whole thread by its end. */
  const grasped = (element, y) => {
    const dot = element.closest('[data-dot]');
    if (dot) {
      return [{ step: dot.closest('.row').dataset.step, exit: dot.dataset.dot }];
    }
    const mark = element.closest('[data-mark]');
    if (mark) {
      const row = rows().querySelectorAll('.row')[Number(mark.dataset.mark)];
      const exit = row.dataset.way;
      return exit ? [{ step: row.dataset.step, exit }] : null;
    }
    const group = element.closest('.thread');
    if (group) {
      const thread = layoutOf(rows()).threads[Number(group.dataset.thread)];
      const end = rows().querySelector(`[data-mark="${thread.target}"]`)?.getBoundingClientRect();
      if (end && Math.abs(end.top + end.height / 2 - y) < 30) {
        return thread.feeders.map((feeder) => ({ step: stepAt(feeder.row), exit: feeder.exit }));
      }
    }
    return null;
  };

  script.addEventListener('pointerdown', (event) => {
    const ways = event.button === 0 && event.target.closest('.dot, .step-mark, .thread') && grasped(event.target, event.clientY);
    if (ways) {
      event.preventDefault();
      drag = { ways, x: event.clientX, y: event.clientY, line: null };
    }
  });

  addEventListener('pointermove', (event) => {
    if (!drag) {
      return;
    }
    const svg = rows().querySelector('.threads');
    const origin = rows().getBoundingClientRect();
    if (!drag.line && Math.hypot(event.clientX - drag.x, event.clientY - drag.y) > FAR_ENOUGH) {
      drag.line = shape('path', { class: 'dragged' });
      svg.append(drag.line);
      document.body.classList.add('leading');
    }
    drag.line?.setAttribute('d', `M${drag.x - origin.left} ${drag.y - origin.top}L${event.clientX - origin.left} ${event.clientY - origin.top}`);
    rows()
      .querySelectorAll('.row.under')
      .forEach((row) => row.classList.remove('under'));
    if (drag.line) {
      document.elementFromPoint(event.clientX, event.clientY)?.closest('.row')?.classList.add('under');
    }
  });

  const over = (event, made) => {
    if (!drag) {
      return;
    }
    const { ways, line } = drag;
    drag = null;
    document.body.classList.remove('leading');
    rows()
      .querySelectorAll('.row.under')
      .forEach((row) => row.classList.remove('under'));
    line?.remove();
    const row = made && line && document.elementFromPoint(event.clientX, event.clientY)?.closest('.row');
    if (row) {
      act.lead(ways, `step:${row.dataset.step}`);
    }
  };
  addEventListener('pointerup', (event) => over(event, true));
  addEventListener('pointercancel', (event) => over(event, false));
  addEventListener('keydown', (event) => {
    if (event.key === 'Escape') {
      over(event, false);
    }
  });

  // Threads and rows light up one another.
  let onThread = null;
  script.addEventListener('pointerover', (event) => {
    if (drag) {
      return;
    }
    const group = event.target.closest('.thread');
    const row = event.target.closest('.row');
    if (group) {
      onThread = layoutOf(rows()).threads[Number(group.dataset.thread)];
      light(rows(), [Number(group.dataset.thread)]);
      if (!onThread.up) {
        const box = script.getBoundingClientRect();
        plus.hidden = false;
        plus.dataset.y = event.clientY;
        plus.style.left = `${event.clientX - box.left + script.scrollLeft - 10}px`;
        plus.style.top = `${event.clientY - box.top + script.scrollTop - 10}px`;
      }
    } else if (row) {
      plus.hidden = true;
      light(rows(), threadsOf(rows(), Number(row.dataset.index)));
    } else if (event.target !== plus) {
      plus.hidden = true;
      light(rows(), []);
    }
  });
  script.addEventListener('pointerleave', () => {
    plus.hidden = true;
    light(rows(), []);
  });
  script.addEventListener('focusin', (event) => {
    const row = event.target.closest('.row');
    if (row) {
      light(rows(), threadsOf(rows(), Number(row.dataset.index)));
    }
  });
  plus.addEventListener('click', () => {
    const y = Number(plus.dataset.y);
    plus.hidden = true;
    const all = [...rows().querySelectorAll('.row')];
    const above = onThread.feeders.filter((feeder) => all[feeder.row].getBoundingClientRect().top < y);
    act.insert({
      target: all[onThread.target].dataset.step,
      ways: (above.length ? above : onThread.feeders.slice(0, 1)).map((feeder) => ({ step: all[feeder.row].dataset.step, exit: feeder.exit })),
    });
  });
}
