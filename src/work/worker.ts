import { expose } from "comlink";
import { jobs } from "./jobs";

expose(jobs);
