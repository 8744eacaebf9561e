import { expose } from "comlink";
import { ConflictJobs } from "./conflict-jobs";

expose(new ConflictJobs());
