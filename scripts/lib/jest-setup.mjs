/** The programs that tests run beside themselves, made once before all of them. */
export { build as default } from "./bundle.mjs";
