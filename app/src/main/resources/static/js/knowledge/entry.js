// An entry: uploads what is shown beside its answer.
import '../web/ready.js';
import '../web/uploads.js';
