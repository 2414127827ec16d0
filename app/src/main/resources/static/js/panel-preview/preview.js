import '../web/ready.js';
// The panel over a page of the designer's choosing.
const stage = document.getElementById('stage');

if (stage) {
  const talks = stage.querySelector('.talks');
  const launch = stage.querySelector('.launch');
  const greeting = stage.querySelector('.says');

  stage.style.setProperty('--colour', stage.dataset.colour);

  function toggle() {
    talks.src ||= talks.dataset.src;
    talks.hidden = !talks.hidden;
    launch.setAttribute('aria-expanded', String(!talks.hidden));
    greeting?.remove();
  }

  launch.addEventListener('click', toggle);
  document.querySelectorAll('input[name="width"]').forEach((radio) => {
    radio.addEventListener('change', () => stage.classList.toggle('phone', radio.value === 'phone' && radio.checked));
  });
}
