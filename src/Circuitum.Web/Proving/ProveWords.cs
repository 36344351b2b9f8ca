using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Proving;

namespace Circuitum.Web.Proving;

/// <summary>Places to look and what is found there, in words.</summary>
public static class ProveWords
{
    /// <summary>A place to look, in words.</summary>
    public static string Of(Test test, Plan plan)
    {
        if (test.By != LookBy.Standing && plan.FindRun(test.Run!.Value) is var (_, apart))
        {
            return test.By == LookBy.Jumper ? $"{plan.Survey[test.Box!.Value].Name}, its three conductors joined"
                : $"Breaker off, {(test.Box is { } at ? plan.Survey[at].Name : "the panel")}: the cable {apart.From.Name} → "
                    + $"{apart.To.Name} out of its joints";
        }

        if (test.AtBreaker)
        {
            return test == Test.Breaker ? "The breaker" : "The breaker, closed again once";
        }

        var box = test.Box is { } id ? plan.Survey[id] : null;
        return test.Run is { } run && plan.FindRun(run) is var (_, found)
            ? $"{(box is null ? "Open the panel" : $"Open {box.Name}")}: the cable {found.From.Name} → {found.To.Name}"
            : test.Second ? $"{box!.Name}, its second half" : box!.Name;
    }

    /// <summary>What to mind before a place is looked at.</summary>
    public static string Caution(Test test) => test == Test.Breaker ? ": see whether its handle is in the middle or off."
        : test == Test.Reset ? ": close it once, standing aside. If it opens again leave it off; do not try a second time."
        : test.By == LookBy.Apart ? ". Open the breaker, lock it, prove the cable dead; then ohms between its own conductors."
        : test.Box is null ? ". The lugs ahead of the main stay live: this is licensed work."
        : test.Run is not null ? ". Breaker off, prove it dead, open the box; then live with a meter only if you may." : ".";

    /// <summary>What a device must show.</summary>
    public static string MustShow(Test test, Plan plan) => test.By == LookBy.Apart
        ? "nothing joined: hot, neutral and ground open to each other"
        : test.By == LookBy.Jumper ? "read through at the panel: hot, neutral and ground joined"
        : plan.Survey[test.Box!.Value].Box.Devices[test.Gang!.Value].Kind.IsLight()
        ? "turn on and off, bright" : "read correct on a tester";

    /// <summary>A finding, in words.</summary>
    public static string Of(Finding found, Test test) => found switch
    {
        Finding.Works when test.By == LookBy.Apart => "nothing joined",
        Finding.Odd when test.By == LookBy.Apart => "more than two joined",
        Finding.Odd when test.Run is not null && test.By == LookBy.Standing => "one leg live, the other not",
        Finding.HotOnNeutral => "hot on neutral",
        Finding.HotOnGround => "hot on ground",
        Finding.NeutralOnGround => "neutral on ground",
        Finding.Works when test == Test.Reset => "holds",
        Finding.Dead when test == Test.Reset => "opens again",
        Finding.Works => test == Test.Breaker ? "closed" : test.Run is null ? "works" : "live",
        Finding.Dead when test == Test.Breaker => "opened",
        Finding.StaysOn => "stays on",
        Finding.NoGround => "no ground",
        Finding.NoNeutral => "no neutral",
        Finding.Odd => "another picture",
        _ => found.ToString().ToLowerInvariant(),
    };
}
