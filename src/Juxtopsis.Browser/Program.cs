// The entry point only has to exist; everything is called through the exports.
return;
