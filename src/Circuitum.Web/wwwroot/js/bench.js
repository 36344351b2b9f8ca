// Joins the parts of the bench: the page works without them but for the plan, which they make movable.
import { watchView } from "./view.js";
import { watchSelection } from "./selection.js";
import { watchDrag } from "./drag.js";
import { watchKeys } from "./keys.js";

watchView();
watchSelection();
watchDrag();
watchKeys();
