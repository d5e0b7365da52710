import { route } from "@/border/route";
import { endShare } from "@/store/shares";

export const DELETE = route(null, (studio, _, { id }) => endShare(studio, id!), "link");
