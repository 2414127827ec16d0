// A follow-up as it is written: what belongs to a mail and what to a task.

import '../web/ready.js';

function fit(stage) {
  const does = stage.querySelector('.does').value;
  stage.querySelectorAll('.of-mail').forEach((part) => {
    part.hidden = does !== 'mail';
  });
  stage.querySelectorAll('.of-task').forEach((part) => {
    part.hidden = does !== 'task';
  });
}

document.getElementById('follow-up').addEventListener('change', (event) => {
  if (event.target.matches('.does')) {
    fit(event.target.closest('.stage'));
  }
});

document.querySelectorAll('.stage').forEach(fit);
