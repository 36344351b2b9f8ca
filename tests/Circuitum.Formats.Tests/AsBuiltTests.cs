using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Pricing;
using Circuitum.Core.Site;
using Circuitum.Core.Units;
using Circuitum.Formats.JobFile;
using Circuitum.Formats.Pdf;

namespace Circuitum.Formats.Tests;

/// <summary>The as-built book as one PDF.</summary>
public sealed class AsBuiltTests
{
    private static readonly Plan Demo = Planner.Plan(JobFiles.Read(File.ReadAllText(
        Path.Combine(AppContext.BaseDirectory, "demo", "fernhollow.circuitum.json"))));

    // 2026-05-04 12:00 UTC.
    private static readonly Instant Noon = new(1_777_896_000_000);

    private static SiteEntry Did(Subject subject, SiteStep step, string note = "", Length? used = null) =>
        new(new(Guid.NewGuid()), subject, step, Noon, Noon, "Ida", 1) { Note = note, Used = used };

    private static string Text(SiteRecord record, Func<AsBuiltBook, AsBuiltBook>? with = null)
    {
        var book = new AsBuiltBook(Demo, record, 7, new(2026, 6, 1));
        return PdfText.Of(AsBuiltPdf.Write(with is null ? book : with(book)));
    }

    [Fact] // it says what it does not know, and of nothing that it was done
    public void Of_a_house_where_nothing_is_written_down_it_says_so()
    {
        var text = Text(SiteRecord.Empty);
        Assert.Contains("14 Fernhollow Rise", text, StringComparison.Ordinal);
        Assert.Contains("0 of 142 cables are written down as pulled.", text, StringComparison.Ordinal);
        Assert.Contains("it may lie otherwise", text, StringComparison.Ordinal);
        // Once for each, the trench and its pipe among them, and once in the sentence that says how such cable is drawn.
        Assert.Equal(142 + 2 + 1, text.Split("not written down").Length - 1);
        foreach (var nothing in new[] { "Nothing is open", "No test is written down", "No change order was written",
            "No photograph was taken" })
        {
            Assert.Contains(nothing, text, StringComparison.Ordinal);
        }

        // A page for each panel and for each floor that has rooms.
        Assert.Contains("Panel A · ", text, StringComparison.Ordinal);
        Assert.Contains("Panel G · ", text, StringComparison.Ordinal);
        Assert.Equal(3, text.Split("North is up.").Length - 1);
    }

    [Fact]
    public void What_was_done_stands_with_who_and_when()
    {
        var line = Demo.Takeoff.Pulls[0];
        var circuit = Demo.Panels[0].Circuits.First(c => c.Mark.Length > 0);
        var text = Text(SiteRecord.Of([
            Did(Subject.Run(line.Run), SiteStep.Pulled, used: 31.Feet()),
            Did(Subject.Circuit(circuit.Key), SiteStep.Tested, "trips at 6 mA"),
            Did(Subject.Box(Demo.Survey.Boxes[0].Box.Id), SiteStep.Correction, "sheath not in the box, Ida mends it"),
        ]));
        Assert.Contains("1 of 142 cables are written down as pulled, from 2026-05-04 to 2026-05-04.", text, StringComparison.Ordinal);
        Assert.Contains("31 ft used", text, StringComparison.Ordinal);
        Assert.Contains("Ida, 2026-05-04", text, StringComparison.Ordinal);
        Assert.Contains("trips at 6 mA", text, StringComparison.Ordinal);
        Assert.Contains("Still to be mended", text, StringComparison.Ordinal);
        Assert.Contains("sheath not in the box, Ida mends it (Ida, 2026-05-04)", text.ReplaceLineEndings(" "), StringComparison.Ordinal);
    }

    [Fact] // a cable of an earlier plan lies in the wall all the same
    public void What_was_pulled_and_is_in_no_plan_now_is_told()
    {
        var gone = Did(Subject.Run(RunId.Parse("x1~x2")), SiteStep.Pulled) with { As = new("Old stove → Old hood", "12-2", 20.Feet()) };
        var text = Text(SiteRecord.Of([gone]));
        Assert.Contains("in no plan now", text, StringComparison.Ordinal);
        Assert.Contains("Old stove to Old hood, 12-2: Ida, 2026-05-04", text, StringComparison.Ordinal);
    }

    // One pixel, as small as the format allows.
    private static readonly byte[] Pixel = Convert.FromBase64String(
        "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==");

    [Fact] // what a PDF cannot hold, and what is lost, is told by its name in the archive
    public void Photographs_have_their_places()
    {
        BookPhotograph Of(string name, byte[]? bytes) => new($"the north wall of {name}", "Ida, May 4", $"{name}.webp", bytes);
        var text = Text(SiteRecord.Empty, b => b with
        {
            Photographs = [Of("Kitchen", Pixel), Of("Hall", "RIFF....WEBP"u8.ToArray()), Of("Bath", null)],
        });
        Assert.Contains("the north wall of Kitchen", text, StringComparison.Ordinal);
        Assert.DoesNotContain("In the archive: Kitchen.webp", text, StringComparison.Ordinal);
        Assert.Contains("In the archive: Hall.webp", text, StringComparison.Ordinal);
        Assert.Contains("In the archive: Bath.webp", text, StringComparison.Ordinal);
    }

    [Fact]
    public void Of_too_many_photographs_the_first_are_shown_and_the_rest_counted()
    {
        var text = Text(SiteRecord.Empty, b => b with
        {
            Photographs = [.. Enumerable.Range(1, AsBuiltPdf.MostPhotographs + 5)
                .Select(n => new BookPhotograph($"wall {n}", "", "f", null))],
        });
        Assert.Contains("200 of 205; all of them are in the archive.", text, StringComparison.Ordinal);
        Assert.Contains("wall 200", text, StringComparison.Ordinal);
        Assert.DoesNotContain("wall 201", text, StringComparison.Ordinal);
    }

    [Fact]
    public void A_change_order_stands_with_its_reason()
    {
        var change = new Offer(OfferKind.ChangeOrder, "x", 5, Terms.Usual, []) { From = 3, Reason = "a larger range" };
        Assert.Contains("Change order 2, 2026-05-20: revision 3 to 5. a larger range", Text(SiteRecord.Empty, b => b with
        {
            Offers = [new(1, new(2026, 5, 1), change with { Kind = OfferKind.Estimate }), new(2, new(2026, 5, 20), change)],
        }), StringComparison.Ordinal);
    }
}
