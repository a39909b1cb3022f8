<?php

declare(strict_types=1);

namespace Elmstone\Receivables;

use Elmstone\Core\Money\Refused;
use Elmstone\Devices\Mail;
use Elmstone\Devices\Mailbox;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Makes the statements of a run, a few at a time, so that it can be stopped and gone on with: each account once. What the paper says is kept when it is made;
 * a mail is noted before it goes, so that none goes twice.
 */
final class RunStatements
{
    public function __construct(
        private readonly AsOf $asOf,
        private readonly StatementPaper $paper,
        private readonly StatementPdf $pdf,
        private readonly Mailbox $mailbox,
        private readonly House $house,
    ) {
    }

    /** @throws Refused nobody_owes */
    public function begin(StatementOptions $options, Staff $by): StatementRun
    {
        $owing = [];

        foreach ($this->asOf->all($options->asOf) as $customer => $ageing) {
            if ($ageing->balance->isPositive()) {
                $owing[] = $customer;
            }
        }

        $accounts = HouseAccount::query()->whereIn('customer_id', $owing)->where('statement_way', '<>', StatementWay::None)->get(['customer_id', 'statement_way']);

        if ($accounts->isEmpty()) {
            throw Refused::because('nobody_owes', 'Nobody who gets statements owes anything as of that day.');
        }

        return DB::transaction(static function () use ($options, $by, $accounts): StatementRun {
            $run = StatementRun::query()->create(['staff_id' => $by->id, 'as_of' => $options->asOf, 'options' => $options->toArray(), 'state' => 'running', 'wanted' => $accounts->count()]);

            foreach ($accounts->chunk(500) as $chunk) {
                DB::table('statements')->insert(array_values($chunk->map(static fn (HouseAccount $account): array => ['run_id' => $run->id, 'customer_id' => $account->customer_id, 'way' => $account->statement_way->value])->all()));
            }

            return $run;
        });
    }

    /**
     * Makes so many more; two who do this at once never make the same.
     *
     * @return int how many are still to be made
     */
    public function step(StatementRun $run, int $most): int
    {
        if ($run->refresh()->state !== 'running') {
            return $this->left($run);
        }

        $made = DB::transaction(function () use ($run, $most): Collection {
            $statements = Statement::query()->with('customer')->where('run_id', $run->id)->where('state', 'wanted')->orderBy('id')->limit($most)->lock('FOR UPDATE SKIP LOCKED')->get();
            $options = StatementOptions::fromArray($run->options);
            $accounts = HouseAccount::query()->with('customer')->whereIn('customer_id', $statements->pluck('customer_id'))->get()->keyBy('customer_id');

            foreach ($statements as $statement) {
                $this->make($statement, $accounts->get($statement->customer_id), $options);
            }

            return $statements;
        });

        $made->filter(static fn (Statement $statement): bool => $statement->state === 'made' && $statement->way === StatementWay::Mail)->each($this->mail(...));
        $left = $this->left($run);

        if ($left === 0) {
            StatementRun::query()->whereKey($run->id)->where('state', 'running')->update(['state' => 'done']);
        }

        return $left;
    }

    private function make(Statement $statement, ?HouseAccount $account, StatementOptions $options): void
    {
        if ($account === null) {
            $statement->forceFill(['state' => 'left out', 'trouble' => 'There is no account any more.'])->save();

            return;
        }

        $data = $this->paper->of($account, $options);
        // Where only older items are wanted and there are none, there is nothing to send.
        $empty = $options->olderThan > 0 && $data['lines'] === [];
        $noMail = $statement->way === StatementWay::Mail && $account->customer->mail === '';
        $statement->forceFill([
            'state' => $empty ? 'left out' : 'made',
            'trouble' => $empty ? "nothing older than {$options->olderThan} days" : ($noMail ? 'no mail address: printed instead' : ''),
            'way' => $noMail ? StatementWay::Print : $statement->way,
            'amount_due' => $data['due_minor'],
            'data' => $data,
            'made_at' => now(),
        ])->save();
    }

    private function mail(Statement $statement): void
    {
        $noted = Statement::query()->whereKey($statement->id)->where('state', 'made')->update(['state' => 'mailing']);

        if ($noted === 1) {
            /** @var array{account: string, as_of: string, due: string, currency: string} $data */
            $data = $statement->data;
            $this->mailbox->deliver(new Mail(
                $statement->customer->mail,
                "Statement of account {$data['account']} as of {$data['as_of']}",
                "Your statement as of {$data['as_of']} is attached. The amount due is {$data['due']} {$data['currency']}.\n\n{$this->house->shop()->name}\n",
                "statement-{$data['account']}.pdf",
                $this->pdf->of([$statement->data]),
            ));
            Statement::query()->whereKey($statement->id)->update(['state' => 'mailed', 'mailed_at' => now()]);
        }
    }

    private function left(StatementRun $run): int
    {
        return Statement::query()->where('run_id', $run->id)->where('state', 'wanted')->count();
    }
}
