using System.Collections.Immutable;
using System.IO.Compression;
using System.Text;
using Circuitum.Core.Jobs;
using Circuitum.Core.Site;
using Circuitum.Data;
using Circuitum.Formats;
using Circuitum.Formats.Csv;
using Circuitum.Formats.JobFile;
using Circuitum.Formats.Offers;
using Circuitum.Formats.Pdf;
using Circuitum.Web.Bench;
using Circuitum.Web.Pages;

namespace Circuitum.Web.Files;

/// <summary>The as-built book: what was planned, what was done, what was seen and what was offered, as one PDF to read and as one archive
/// with everything in open formats.</summary>
public static class AsBuilt
{
    /// <summary>The archive's name among the files of a job.</summary>
    public const string Name = "as-built.zip";

    /// <summary>The PDF's name among them, and in the archive.</summary>
    public const string Pdf = "as-built.pdf";

    /// <summary>The PDF.</summary>
    /// <param name="job">The job.</param>
    /// <param name="photographs">Where its photographs are.</param>
    /// <param name="offers">Where its estimates and change orders are.</param>
    /// <param name="made">The day it is made.</param>
    public static async Task<byte[]> BookAsync(OpenJob job, Photographs photographs, Offers offers, DateOnly made)
    {
        var shown = ImmutableArray.CreateBuilder<BookPhotograph>();
        foreach (var entry in job.Site.Standing.Where(e => e.Photograph is not null))
        {
            var found = shown.Count < AsBuiltPdf.MostPhotographs ? await photographs.FindAsync(job.Key, entry.Photograph!) : null;
            shown.Add(new(SiteNames.Of(job.Plan, entry.Subject), SiteModel.Told(entry), FileOf(entry.Photograph!,
                found?.MediaType ?? "image/jpeg"), found?.Picture));
        }

        var written = await offers.OfAsync(job.Key);
        return AsBuiltPdf.Write(new(job.Plan, job.Site, job.Revision, made)
        {
            Photographs = shown.ToImmutable(),
            Offers = [.. written.OrderBy(o => o.Number).Select(o => new BookOffer(o.Number, DateOnly.FromDateTime(o.At.UtcDateTime),
                OfferFiles.Read(o.Document)))],
        });
    }

    /// <summary>Writes it to a file that goes when it is read: whole before the first byte is sent, and not held in memory.</summary>
    /// <param name="job">The job.</param>
    /// <param name="photographs">Where its photographs are.</param>
    /// <param name="offers">Where its estimates and change orders are.</param>
    /// <param name="made">The day it is made.</param>
    public static async Task<Stream> WriteAsync(OpenJob job, Photographs photographs, Offers offers, DateOnly made)
    {
        var to = Passing.File();
        await using (var zip = new ZipArchive(to, ZipArchiveMode.Create, leaveOpen: true))
        {
            await FillAsync(zip, job, photographs, offers);
            await zip.AddAsync(Pdf, await BookAsync(job, photographs, offers, made));
        }

        to.Position = 0;
        return to;
    }

    private static async Task FillAsync(ZipArchive zip, OpenJob job, Photographs photographs, Offers offers)
    {
        await zip.AddAsync("job.circuitum.json", Encoding.UTF8.GetBytes(JobFiles.Write(job.Plan.Job)));
        foreach (var file in PlanFolder.Of(job.Plan))
        {
            await zip.AddAsync($"plan/{file.Name}", file.Write());
        }

        await zip.AddAsync("site/site.csv", Encoding.UTF8.GetBytes(CsvFiles.Site(job.Site)));
        // A photograph is kept once and may be of several places: site.csv says which.
        foreach (var fingerprint in job.Site.Standing.Select(e => e.Photograph).OfType<string>().Distinct())
        {
            if (await photographs.FindAsync(job.Key, fingerprint) is var (type, picture))
            {
                await zip.AddAsync($"site/photographs/{FileOf(fingerprint, type)}", picture, CompressionLevel.NoCompression);
            }
        }

        foreach (var written in (await offers.OfAsync(job.Key)).OrderBy(o => o.Number))
        {
            var offer = OfferFiles.Read(written.Document);
            var name = $"offers/{written.Number} {OfferPdf.Title(offer)}";
            await zip.AddAsync($"{name}.pdf",
                OfferPdf.Write(offer, written.Number, DateOnly.FromDateTime(written.At.UtcDateTime), written.Who));
            await zip.AddAsync($"{name}.csv", Encoding.UTF8.GetBytes(OfferFiles.Csv(offer)));
        }
    }

    private static string FileOf(string fingerprint, string type) =>
        $"{fingerprint}.{type.Split('/')[1].Replace("jpeg", "jpg", StringComparison.Ordinal)}";
}
