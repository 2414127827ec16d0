// The profile of a bot: uploads its picture.
import '../web/ready.js';
import '../web/uploads.js';
