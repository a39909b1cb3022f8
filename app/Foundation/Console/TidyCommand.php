<?php

declare(strict_types=1);

namespace Elmstone\Foundation\Console;

use Carbon\CarbonImmutable;
use Elmstone\Shop\Retention;
use Elmstone\Shop\Shop;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/**
 * Throws away what grows and is not kept: what was sent, printed and mailed, the acts of slips long posted, tries of
 * PINs. Documents, journals and the security log stay.
 */
final class TidyCommand extends Command
{
    /** What goes, and by which of its times. */
    private const KEPT = [
        ['outbox', 'ended_at', "state <> 'waiting'"],
        ['printed_papers', 'printed_at', '1 = 1'],
        ['sent_mails', 'sent_at', '1 = 1'],
        ['mail_history', 'sent_at', '1 = 1'],
        ['pin_tries', 'since', '1 = 1'],
        ['terminal_requests', 'asked_at', '1 = 1'],
        ['works', 'ended_at', '1 = 1'],
    ];

    private const AT_ONCE = 5000;

    protected $signature = 'house:tidy';

    protected $description = 'Throw away what is not kept for ever';

    public function handle(Retention $kept): int
    {
        if (! Shop::query()->exists()) {
            $this->line('There is no shop yet.');

            return self::SUCCESS;
        }

        foreach (self::KEPT as [$table, $time, $which]) {
            $this->line("{$table}: {$this->clear($table, "{$which} AND {$time} < ?", $kept->days($table))}");
        }

        $this->line(
            "slip_acts: {$this->clear(
                'slip_acts',
                "slip_id IN (SELECT id FROM slips WHERE state <> 'open' AND updated_at < ?)",
                $kept->days('slip_acts'),
            )}",
        );

        $this->line("failed_jobs: {$this->clear('failed_jobs', 'failed_at < ?', $kept->days('works'))}");

        return self::SUCCESS;
    }

    /** A few at a time, so that no till waits for it. */
    private function clear(string $table, string $which, int $days): int
    {
        $before = CarbonImmutable::now()->subDays($days)->format('Y-m-d H:i:s');
        $gone = 0;

        do {
            $some = DB::delete("DELETE FROM {$table} WHERE {$which} LIMIT ".self::AT_ONCE, [$before]);
            $gone += $some;
        } while ($some === self::AT_ONCE);

        return $gone;
    }
}
