<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Statements;

use Elmstone\Core\Money\Refused;
use Elmstone\Devices\DeviceFailed;
use Elmstone\Devices\Mail;
use Elmstone\Devices\Mailbox;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ageing\AsOf;
use Elmstone\Receivables\OnItsWay;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;

/**
 * Makes the statements of a run, a few at a time, so that it can be stopped and gone on with: each account once. What
 * the paper says is kept when it is made; a mail is noted before it goes, so that none goes twice.
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

    /**
     * @param  bool  $again also where just such a run was made already
     *
     * @throws Refused nobody_owes, run_before
     */
    public function begin(StatementOptions $options, Staff $by, bool $again = false): StatementRun
    {
        $again || $this->assertNew($options);
        $accounts = HouseAccount::query()
            ->whereIn('customer_id', self::sentTo($this->wanted($options)))
            ->where('statement_way', '<>', StatementWay::None)
            ->get(['customer_id', 'statement_way']);

        if ($accounts->isEmpty()) {
            throw Refused::because(
                'nobody_owes',
                $options->olderThan > 0
                    ? "Nobody who gets statements owes anything older than {$options->olderThan} days as of that day."
                    : 'Nobody who gets statements owes anything as of that day.',
            );
        }

        return DB::transaction(static function () use ($options, $by, $accounts): StatementRun {
            $run = StatementRun::query()->create([
                'staff_id' => $by->id,
                'as_of' => $options->asOf,
                'options' => $options->toArray(),
                'state' => 'running',
                'wanted' => $accounts->count(),
            ]);

            foreach ($accounts->chunk(500) as $chunk) {
                DB::table('statements')->insert(
                    array_values(
                        $chunk
                            ->map(
                                static fn (HouseAccount $account): array => [
                                    'run_id' => $run->id,
                                    'customer_id' => $account->customer_id,
                                    'way' => $account->statement_way->value,
                                ],
                            )
                            ->all(),
                    ),
                );
            }

            return $run;
        });
    }

    /**
     * One account's statement, mailed now.
     *
     * @param  HouseAccount  $account with its customer
     *
     * @throws Refused no_mail, not_mailed
     */
    public function mailNow(HouseAccount $account, StatementOptions $options, Staff $by): void
    {
        $account->customer->mail !== '' || throw Refused::because(
            'no_mail', "{$account->customer->name} has no mail address. Write one on their page first.",
        );
        $statement = DB::transaction(function () use ($account, $options, $by): Statement {
            $run = StatementRun::query()->create([
                'staff_id' => $by->id, 'as_of' => $options->asOf, 'options' => $options->toArray(), 'state' => 'done',
                'wanted' => 1,
            ]);
            $statement = Statement::query()->create([
                'run_id' => $run->id, 'customer_id' => $account->customer_id, 'way' => StatementWay::Mail,
            ]);
            $this->make($statement, $account, $options);

            return $statement->setRelation('customer', $account->customer);
        });
        $this->mail($statement);
        $state = Statement::query()->findOrFail($statement->id);
        $state->state === 'mailed' || throw Refused::because('not_mailed', "It could not be mailed: {$state->trouble}");
    }

    private function assertNew(StatementOptions $options): void
    {
        $before = StatementRun::query()
            ->with('staff')
            ->where('as_of', $options->asOf)
            ->latest('id')
            ->get()
            ->first(static fn (StatementRun $run): bool => $run->options === $options->toArray());

        if ($before !== null) {
            throw Refused::because(
                'run_before',
                'Just these statements were made on '
                    .Show::moment($before->created_at)
                    ." by {$before->staff->name}. Tick “again” where they shall be made once more.",
            );
        }
    }

    /**
     * Who owes; or, where only older items are wanted, who owes something so old, whichever kind of statement they get
     * and whatever credit they have.
     *
     * @return list<int> customers
     */
    private function wanted(StatementOptions $options): array
    {
        if ($options->olderThan > 0) {
            return $this->asOf->withOlder($options->asOf, $options->olderThan);
        }

        $owing = [];

        foreach ($this->asOf->all($options->asOf) as $customer => $ageing) {
            $ageing->balance->isPositive() && ($owing[] = $customer);
        }

        return $owing;
    }

    /**
     * What branches owe stands on the statement of their head office.
     *
     * @param  list<int>  $owing customers
     * @return list<int> customers whose statements are made
     */
    private static function sentTo(array $owing): array
    {
        $heads = HouseAccount::query()->toBase()->whereNotNull('head_id')->pluck('head_id', 'customer_id');

        return array_values(array_unique(array_map(
            static fn (int $customer): int => (int) $heads->get($customer, $customer), $owing,
        )));
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

        DB::transaction(function () use ($run, $most): void {
            $statements = Statement::query()
                ->with('customer')
                ->where('run_id', $run->id)
                ->where('state', 'wanted')
                ->orderBy('id')
                ->limit($most)
                ->lock('FOR UPDATE SKIP LOCKED')
                ->get();
            $options = StatementOptions::fromArray($run->options);
            $accounts = HouseAccount::query()
                ->with('customer')
                ->whereIn('customer_id', $statements->pluck('customer_id'))
                ->get()
                ->keyBy('customer_id');

            foreach ($statements as $statement) {
                $this->make($statement, $accounts->get($statement->customer_id), $options);
            }
        });

        $this->mailSome($run, $most);
        $left = $this->left($run);

        if ($left === 0) {
            StatementRun::query()
                ->whereKey($run->id)
                ->where('state', 'running')
                ->update(['state' => 'done']);
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
        $noMail = $statement->way === StatementWay::Mail && $account->customer->mail === '';
        $statement
            ->forceFill([
                'state' => 'made',
                'trouble' => $noMail ? 'no mail address: printed instead' : '',
                'way' => $noMail ? StatementWay::Print : $statement->way,
                'amount_due' => MoneyCast::read($data['due_minor']),
                'data' => $data,
                'made_at' => now(),
            ])
            ->save();
    }

    /** What is made and goes by mail, also what a run that broke off left behind. */
    private function mailSome(StatementRun $run, int $most): void
    {
        Statement::query()
            ->with('customer')
            ->where('run_id', $run->id)
            ->where('state', 'made')
            ->where('way', StatementWay::Mail)
            ->orderBy('id')
            ->limit($most)
            ->get()
            ->each($this->mail(...));
    }

    private function mail(Statement $statement): void
    {
        $noted = Statement::query()
            ->whereKey($statement->id)
            ->where('state', 'made')
            ->update(['state' => OnItsWay::STATE, 'mailing_at' => now()->format('Y-m-d H:i:s.v')]);

        if ($noted !== 1) {
            return;
        }

        try {
            $this->mailbox->deliver($this->letter($statement));
        } catch (DeviceFailed $failed) {
            Statement::query()
                ->whereKey($statement->id)
                ->update(['state' => 'failed', 'trouble' => mb_substr($failed->getMessage(), 0, 255)]);

            return;
        }

        Statement::query()
            ->whereKey($statement->id)
            ->update(['state' => 'mailed', 'mailed_at' => now(), 'trouble' => '']);
    }

    private function letter(Statement $statement): Mail
    {
        $data = $statement->paper();

        return new Mail(
            $statement->customer->mail,
            "Statement of account {$data['account']} as of {$data['as_of']}",
            "Your statement as of {$data['as_of']} is attached. The amount due "
                ."is {$data['due']} {$data['currency']}.\n\n"
                .(($data['pay'] ?? '') === '' ? '' : "You can pay it by card here: {$data['pay']}\n\n")
                ."{$this->house->shop()->name}\n",
            "statement-{$data['account']}.pdf",
            $this->pdf->of([$data]),
            $statement->customer_id,
        );
    }

    /** It did not go, or nobody knows: it goes again, at the next step. */
    public function mailAgain(Statement $statement): void
    {
        OnItsWay::mayGoAgain(Statement::query()->whereKey($statement->id))
            ->update(['state' => 'made', 'trouble' => '']);
        StatementRun::query()
            ->whereKey($statement->run_id)
            ->where('state', 'done')
            ->update(['state' => 'running']);
    }

    /** Somebody has found out that it went. */
    public function countAsMailed(Statement $statement): void
    {
        OnItsWay::unsure(Statement::query()->whereKey($statement->id))
            ->update(['state' => 'mailed', 'trouble' => 'counted as mailed']);
    }

    /** Still to be made or mailed. */
    private function left(StatementRun $run): int
    {
        return Statement::query()
            ->where('run_id', $run->id)
            ->where(
                static fn ($either) => $either
                    ->where('state', 'wanted')
                    ->orWhere(static fn ($made) => $made->where('state', 'made')->where('way', StatementWay::Mail)),
            )
            ->count();
    }
}
