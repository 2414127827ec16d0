// The knowledge of a bot: trying questions out, and what a setting of sureness would do.
import '../web/ready.js';
import './try-out.js';

const card = document.getElementById('sureness');

function samples(of) {
  return [...card.querySelectorAll(`[data-of=${of}]`)].map((item) => ({ confidence: Number(item.dataset.confidence), right: item.dataset.right === 'true' }));
}

if (card) {
  const answer = card.querySelector('[name=answer]');
  const suggest = card.querySelector('[name=suggest]');
  const rows = [...card.querySelectorAll('[data-samples]')].map((row) => ({
    samples: samples(row.dataset.samples),
    put: (name, count) => {
      const cell = row.querySelector(`[data-count=${name}]`);
      if (cell) {
        cell.textContent = count;
      }
    },
  }));

  const show = () => {
    card.querySelectorAll('output').forEach((output) => {
      output.textContent = `${card.querySelector(`#${output.htmlFor}`).value} %`;
    });
    const from = answer.value / 100;
    const offer = suggest.value / 100;
    for (const row of rows) {
      const answered = row.samples.filter((one) => one.confidence >= from);
      row.put('answered', answered.length);
      row.put('wrong', answered.filter((one) => !one.right).length);
      row.put('offered', row.samples.filter((one) => one.confidence < from && one.confidence >= offer).length);
      row.put('refused', row.samples.filter((one) => one.confidence < offer && one.confidence < from).length);
    }
  };

  answer.addEventListener('input', () => {
    suggest.value = Math.min(suggest.value, answer.value);
    show();
  });
  suggest.addEventListener('input', () => {
    answer.value = Math.max(suggest.value, answer.value);
    show();
  });
  show();
}
