<?php

declare(strict_types=1);

namespace Elmstone\Upkeep;

use Elmstone\Books\FirstNumbers;
use Elmstone\Paper\Outbox;
use Elmstone\Work\WorkQueue;
use Illuminate\Http\Response;

/** What the house measures of itself, in the OpenMetrics text format 1.0 (https://openmetrics.io). */
final class MetricsController
{
    public const TYPE = 'application/openmetrics-text; version=1.0.0; charset=utf-8';

    public function __invoke(Running $running): Response
    {
        $lines = [
            '# TYPE elmstone info', '# HELP elmstone Which version this is.',
            'elmstone_info{version="'.Version::current().'"} 1',
            '# TYPE elmstone_documents counter', '# HELP elmstone_documents Documents posted, by kind.',
        ];

        foreach (FirstNumbers::given() as $kind => $count) {
            $lines[] = "elmstone_documents_total{kind=\"{$kind}\"} {$count}";
        }

        array_push($lines, ...$this->postings());
        $broken = array_sum(Measured::of(Measured::BROKEN)['times']);
        [$waits, $oldest] = Outbox::queue();
        [$works, $forWorkers] = WorkQueue::waits();
        array_push(
            $lines,
            '# TYPE elmstone_broken counter', '# HELP elmstone_broken Pages that broke.',
            "elmstone_broken_total {$broken}",
            '# TYPE elmstone_outbox gauge', '# HELP elmstone_outbox Papers and mails that wait.',
            "elmstone_outbox {$waits}",
            '# TYPE elmstone_outbox_oldest_seconds gauge', '# UNIT elmstone_outbox_oldest_seconds seconds',
            "elmstone_outbox_oldest_seconds {$oldest}",
            '# TYPE elmstone_works gauge', '# HELP elmstone_works What waits for a worker.',
            "elmstone_works {$works}",
            '# TYPE elmstone_works_oldest_seconds gauge', '# UNIT elmstone_works_oldest_seconds seconds',
            "elmstone_works_oldest_seconds {$forWorkers}",
            '# TYPE elmstone_backup_age_seconds gauge', '# UNIT elmstone_backup_age_seconds seconds',
            'elmstone_backup_age_seconds '.($running->backupAge() ?? 'NaN'),
            '# TYPE elmstone_faults gauge', '# HELP elmstone_faults What the last proof of the books found.',
            'elmstone_faults '.($running->lastProof()->faults ?? 'NaN'),
            '# EOF',
        );

        return response(implode("\n", $lines)."\n", 200, ['Content-Type' => self::TYPE]);
    }

    /** @return list<string> */
    private function postings(): array
    {
        ['times' => $times, 'total' => $total] = Measured::of(Measured::POSTING);
        $lines = [
            '# TYPE elmstone_posting_seconds histogram', '# UNIT elmstone_posting_seconds seconds',
            '# HELP elmstone_posting_seconds How long postings at the counter took.',
        ];
        $sum = 0;

        foreach (Measured::STEPS as $step) {
            $sum += $times[$step];
            $lines[] = sprintf('elmstone_posting_seconds_bucket{le="%s"} %d', $step / 1000, $sum);
        }

        return [
            ...$lines,
            'elmstone_posting_seconds_bucket{le="+Inf"} '.array_sum($times),
            'elmstone_posting_seconds_count '.array_sum($times),
            sprintf('elmstone_posting_seconds_sum %.3F', $total / 1000),
        ];
    }
}
