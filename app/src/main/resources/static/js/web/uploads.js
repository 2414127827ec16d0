// A button beside a field that puts the address of an uploaded picture or film into it.
import { postFile } from './http.js';

document.querySelectorAll('[data-upload]').forEach((button) =>
  button.addEventListener('click', () => {
    const chooser = document.createElement('input');
    chooser.type = 'file';
    chooser.accept = button.dataset.accept ?? 'image/png,image/jpeg,image/gif,image/webp';
    chooser.addEventListener('change', async () => {
      const { status, body } = await postFile(button.dataset.media, chooser.files[0]);
      const field = document.getElementById(button.dataset.upload);
      if (status === 200) {
        field.value = body.address;
      } else {
        field.setCustomValidity(body?.refused ?? 'The file could not be sent. It may be too large: 8 MB is the most, 20 MB for a film.');
        field.reportValidity();
      }
    });
    chooser.click();
  }),
);
