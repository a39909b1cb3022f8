<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Elmstone\Devices\Mail;
use Elmstone\Devices\Mailbox;
use Elmstone\Shop\House;
use Elmstone\Support\Report\Period;
use Elmstone\Support\ShopTime;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** For the machine's timer, once a day; more often does no harm: each is mailed once. */
final class MailReportsCommand extends Command
{
    protected $signature = 'reports:mail';

    protected $description = 'Mail the reports that people keep and want, each once in its time';

    public function handle(Mailbox $mailbox, House $house): int
    {
        $today = ShopTime::today();
        $sent = 0;

        foreach (KeptReport::query()->with('person')->where('every', '<>', '')->orderBy('id')->get() as $kept) {
            $definition = AllReports::find($kept->report);

            if (
                ! $kept->isDue($today) || $definition === null || ! $kept->person->active
                || ! $kept->person->mayDo($definition->ability()) || ! $this->isOurs($kept)
            ) {
                continue;
            }

            $answer = Answer::to($definition, $this->asked($kept, $definition), $kept->person, $house);
            $table = AsTable::of($answer, []);
            $mailbox->deliver(new Mail(
                $kept->mail_to,
                "{$definition->title()}: {$kept->name}, {$answer->asked->period->words()}",
                "{$definition->question()}\n\n".count($answer->entries).' rows, in the table with this mail.',
                "{$definition->key()}.csv",
                $table->text(),
            ));
            $sent++;
        }

        $this->info("{$sent} sent");

        return self::SUCCESS;
    }

    /** Takes it for this time: of two timers at once, one mails it. */
    private function isOurs(KeptReport $kept): bool
    {
        return DB::table('kept_reports')
            ->where('id', $kept->id)
            ->where(static fn ($either) => $either->whereNull('sent_on')
                ->orWhere('sent_on', '<', ShopTime::today()->format('Y-m-d')))
            ->update(['sent_on' => ShopTime::today()->format('Y-m-d')]) === 1;
    }

    /** Of the time that has just ended: yesterday, last week, last month. */
    private function asked(KeptReport $kept, Definition $definition): Asked
    {
        $name = ['day' => 'yesterday', 'week' => 'last-week', 'month' => 'last-month'][$kept->every] ?? 'yesterday';
        $today = ShopTime::today();
        $by = $kept->query['by'] ?? '';
        $int = static fn (string $filter): ?int => is_numeric($kept->query[$filter] ?? null)
            ? (int) $kept->query[$filter] : null;

        return new Asked(
            Period::named($name, $today) ?? Period::between($today, $today),
            isset($definition->by()[$by]) ? $by : (string) array_key_first($definition->by()),
            $kept->query['compare'] ?? '',
            location: $int('location'),
            till: $int('till'),
            department: $int('department'),
            person: $int('person'),
        );
    }
}
