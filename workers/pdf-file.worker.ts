import { expose } from "comlink";
import { pdfFile } from "./pdf-file";

expose(pdfFile());
