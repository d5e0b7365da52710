import { expose } from "comlink";
import { rackFile } from "./rack-file";

expose(rackFile());
