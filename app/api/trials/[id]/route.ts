import { route } from "@/door/route";
import { changeOf } from "@/border/read-as";
import { ChangeTrialInput } from "@/border/swatchbook";
import { changeTrial, deleteTrial } from "@/store/trials";

export const PATCH = route(
  ChangeTrialInput,
  (studio, input, { id }) => changeTrial(studio, id!, changeOf(input)),
  "trial",
);

export const DELETE = route(null, (studio, _, { id }) => deleteTrial(studio, id!), "trial");
