import { expose } from "comlink";
import { Jobs } from "./jobs";

expose(new Jobs());
