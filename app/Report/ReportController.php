<?php

declare(strict_types=1);

namespace App\Report;

use App\Logbook\Job;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** The report on paper: one page for the screen and the printer, the same page as PDF, and the same page for an owner. */
final readonly class ReportController
{
    public function sheet(Job $job): Response
    {
        return new Response(ReportSheet::of($job)->whole());
    }

    /** A short one at once; a long one is made in the background, and until it is there the answer is a page that looks again by itself. */
    public function pdf(Job $job): Response|BinaryFileResponse
    {
        $sheet = ReportSheet::of($job);
        $sections = $sheet->sections();
        $name = "{$job->label()}.pdf";
        if (Printer::weight($sections) <= Printer::PART) {
            $file = (string) tempnam(sys_get_temp_dir(), 'paper');
            Printer::print($sheet, $sections, $file);

            return self::file($file, $name)->deleteFileAfterSend();
        }
        $paper = Papers::asked($sheet);
        if ($paper->state === PaperState::There) {
            return self::file($paper->file(), $name);
        }

        return new Response(view('paper', ['job' => $job, 'card' => PaperCard::paper($paper)])->render(), 202, [
            'Retry-After' => '2', 'Cache-Control' => 'no-store, private',
        ]);
    }

    #[OA\Get(
        path: '/jobs/{job}/paper',
        operationId: 'showReportPaper',
        tags: ['report'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'how far the PDF is', content: new OA\JsonContent(ref: PaperCard::class))],
    )]
    public function paper(Job $job): JsonResponse
    {
        return new JsonResponse(PaperCard::of(ReportSheet::of($job)));
    }

    /** Signature and expiry are checked by the route; here only whether a lead has taken the link back. */
    public function owner(ReportLink $link): Response
    {
        abort_unless($link->open(), 403, 'This link is no longer open.');

        $page = $this->sheet(Job::query()->findOrFail($link->job_id));
        $page->headers->set('X-Robots-Tag', 'noindex');
        $page->headers->set('Cache-Control', 'no-store, private');

        return $page;
    }

    private static function file(string $file, string $name): BinaryFileResponse
    {
        return new BinaryFileResponse($file, 200, ['Content-Type' => 'application/pdf', 'Content-Disposition' => "inline; filename=\"{$name}\""]);
    }
}
