// The profile of a bot: uploads its picture.
import '../web/ready.js';
import { postFile } from '../web/http.js';

document.querySelectorAll('[data-upload]').forEach((button) =>
  button.addEventListener('click', () => {
    const chooser = document.createElement('input');
    chooser.type = 'file';
    chooser.accept = 'image/png,image/jpeg,image/gif,image/webp';
    chooser.addEventListener('change', async () => {
      const { status, body } = await postFile(button.dataset.media, chooser.files[0]);
      const field = document.getElementById(button.dataset.upload);
      if (status === 200) {
        field.value = body.address;
      } else {
        field.setCustomValidity(body?.refused ?? 'The picture could not be sent. It may be too large: 8 MB is the most.');
        field.reportValidity();
      }
    });
    chooser.click();
  }),
);
