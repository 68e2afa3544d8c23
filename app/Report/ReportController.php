<?php

declare(strict_types=1);

namespace App\Report;

use App\Logbook\Job;
use Dompdf\Dompdf;
use Dompdf\Options;
use Illuminate\Http\Response;

/** The report on paper: one page for the screen and the printer, the same page as PDF, and the same page for an owner. */
final readonly class ReportController
{
    public function sheet(Job $job): Response
    {
        return self::page($job);
    }

    public function pdf(Job $job): Response
    {
        $options = new Options([
            'isRemoteEnabled' => false,
            'isPhpEnabled' => false,
            'defaultFont' => 'DejaVu Sans',
            'defaultPaperSize' => 'a4',
            'tempDir' => sys_get_temp_dir(),
            'fontCache' => storage_path('framework'),
        ]);
        $pdf = new Dompdf($options);
        $pdf->loadHtml(self::html($job));
        $pdf->render();

        return new Response(
            (string) $pdf->output(),
            200,
            ['Content-Type' => 'application/pdf', 'Content-Disposition' => "inline; filename=\"{$job->label()}.pdf\""],
        );
    }

    /** Signature and expiry are checked by the route; here only whether a lead has taken the link back. */
    public function owner(ReportLink $link): Response
    {
        abort_unless($link->open(), 403, 'This link is no longer open.');

        $page = self::page(Job::query()->findOrFail($link->job_id));
        $page->headers->set('X-Robots-Tag', 'noindex');
        $page->headers->set('Cache-Control', 'no-store, private');

        return $page;
    }

    private static function page(Job $job): Response
    {
        return new Response(self::html($job));
    }

    private static function html(Job $job): string
    {
        return view('report', ['sheet' => ReportSheet::of($job)])->render();
    }
}
