import fc from "fast-check";

// Generated inputs are the same in every run, so that a failure is a change of ours and not of luck.
fc.configureGlobal({ seed: 2026 });
