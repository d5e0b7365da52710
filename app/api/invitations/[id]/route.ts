import { route } from "@/door/route";
import { takeBack } from "@/store/studio";

export const DELETE = route(null, (studio, _, { id }) => takeBack(studio, id!), "invitation", "owner");
