// Saves the map as a file of its own.

const WIDEST_PICTURE = 8000;

/**
 * Lets the buttons of the page save the drawing as SVG and PNG.
 * @param {string} name of the files, without an ending
 * @param {() => {width: number, height: number}} bounds of the drawing
 * @param {() => string} file the drawing as SVG
 */
export function savesAs(name, bounds, file) {
  function keep(blob, ending) {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(blob);
    link.download = `${name}.${ending}`;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 10000);
  }

  document.getElementById('save-svg').addEventListener('click', () => {
    keep(new Blob([file()], { type: 'image/svg+xml' }), 'svg');
  });
  document.getElementById('save-png').addEventListener('click', () => {
    const { width, height } = bounds();
    const scale = Math.min(2, WIDEST_PICTURE / Math.max(width, height));
    const picture = new Image();
    picture.addEventListener('load', () => {
      const canvas = document.createElement('canvas');
      canvas.width = width * scale;
      canvas.height = height * scale;
      canvas.getContext('2d').drawImage(picture, 0, 0, canvas.width, canvas.height);
      canvas.toBlob((blob) => keep(blob, 'png'), 'image/png');
    });
    picture.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(file())}`;
  });
}
