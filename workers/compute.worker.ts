import { expose } from "comlink";
import { computeApi } from "./compute-api";

expose(computeApi);
