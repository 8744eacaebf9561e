import { workInThread } from "@/disk/work-in-thread";
import { writeHere, type ListToWrite } from "./list-writer";

workInThread<ListToWrite>(writeHere);
