<?php

declare(strict_types=1);

namespace App\Report;

use Dompdf\Dompdf;
use Dompdf\Options;
use setasign\Fpdi\Fpdi;

/**
 * A report as PDF. Laying out a page costs memory for every line on it, so a long report is laid out in parts that each begin on a new
 * page; the parts are joined, and the pages are numbered through.
 */
final readonly class Printer
{
    /** Lines of a part; a picture counts as several. */
    public const PART = 150;

    /**
     * @param list<Section> $sections
     *
     * @return non-empty-list<list<Section>>
     */
    public static function parts(array $sections): array
    {
        $parts = [[]];
        $weight = 0;
        foreach ($sections as $section) {
            $rows = [];
            foreach ($section->rows as $row) {
                if ($weight > 0 && $weight + $row->weight() > self::PART) {
                    $rows === [] || $parts[count($parts) - 1][] = $section->with($rows);
                    $parts[] = $rows = [];
                    $weight = 0;
                }
                $rows[] = $row;
                $weight += $row->weight();
            }
            $parts[count($parts) - 1][] = $section->with($rows);
        }

        return $parts;
    }

    /** @param list<Section> $sections */
    public static function weight(array $sections): int
    {
        return array_sum(array_map(
            static fn (Section $it): int => array_sum(array_map(static fn (Row $row): int => $row->weight(), $it->rows)),
            $sections,
        ));
    }

    /**
     * Writes the PDF into a file.
     *
     * @param list<Section>              $sections
     * @param (\Closure(int): void)|null $told     after each part: lines that are on paper
     */
    public static function print(ReportSheet $sheet, array $sections, string $file, ?\Closure $told = null): void
    {
        $parts = self::parts($sections);
        $files = [];
        $done = 0;
        try {
            foreach ($parts as $i => $part) {
                $files[] = $one = "{$file}.{$i}";
                file_put_contents($one, self::laidOut($sheet->html($part, $i === 0, $i === count($parts) - 1))) !== false
                    || throw new \RuntimeException("cannot write {$one}");
                $done += self::weight($part);
                $told === null || $told($done);
            }
            self::join($files, $sheet->job->label(), "{$file}.joined");
            rename("{$file}.joined", $file);
        } finally {
            array_map(unlink(...), array_filter([...$files, "{$file}.joined"], is_file(...)));
        }
    }

    private static function laidOut(string $html): string
    {
        $pdf = new Dompdf(new Options([
            'isRemoteEnabled' => false,
            'isPhpEnabled' => false,
            'defaultFont' => 'DejaVu Sans',
            'defaultPaperSize' => 'a4',
            'tempDir' => sys_get_temp_dir(),
            'fontCache' => storage_path('framework'),
        ]));
        $pdf->loadHtml($html);
        $pdf->render();

        return (string) $pdf->output();
    }

    /** @param list<string> $files */
    private static function join(array $files, string $label, string $to): void
    {
        $whole = new Fpdi('P', 'mm', 'A4');
        $whole->SetTitle($label, true);
        $whole->AliasNbPages('{pages}');
        $whole->SetAutoPageBreak(false);
        $page = 0;
        foreach ($files as $file) {
            $pages = $whole->setSourceFile($file);
            for ($i = 1; $i <= $pages; ++$i) {
                $whole->AddPage();
                $whole->useTemplate($whole->importPage($i));
                $whole->SetFont('Helvetica', '', 8);
                $whole->SetXY(16, 284);
                $whole->Cell(178, 5, "{$label}, page ".++$page.' of {pages}', 0, 0, 'R');
            }
        }
        $whole->Output('F', $to);
    }
}
