// Joins the parts of the bench: the page works without them but for the plan, which they make movable.
import { watchView } from "./view.js";
import { watchSelection } from "./selection.js";
import { watchDrag } from "./drag.js";
import { watchTools } from "./tools.js";
import { watchPick } from "./pick.js";
import { watchKeys } from "./keys.js";
import { watchMeter } from "./meter.js";
import { watchFields } from "./fields.js";
import { watchWeigh } from "./weigh.js";
import { watchRegroup } from "./regroup.js";
import { watchDarkness } from "./darkness.js";
import { watchLand } from "./land.js";
import { watchTrouble } from "./trouble.js";
import { watchTurns } from "./turns.js";
import { watchAnswers } from "./answers.js";
import { watchSay } from "./say.js";
import { watchLive } from "./live.js";
import { watchAccount } from "./account.js";

watchTrouble();
// Answers before turns: what is sent waits for its turn, and names what the window has then.
watchAnswers();
watchTurns();
// Tools before drags and drags before pans: what a tool takes, nothing else moves.
watchTools();
watchDrag();
watchView();
watchPick();
watchSelection();
watchKeys();
watchMeter();
watchFields();
watchWeigh();
watchRegroup();
watchLand();
watchDarkness();
watchSay();
watchLive();
watchAccount();
// For whoever waits until keys and tools answer.
document.documentElement.dataset.ready = "true";
