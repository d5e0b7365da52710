import { route } from "@/door/route";
import { endShare } from "@/store/shares";

export const DELETE = route(null, (studio, _, { id }) => endShare(studio, id!), "link");
