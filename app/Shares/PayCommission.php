<?php

declare(strict_types=1);

namespace Elmstone\Shares;

use Carbon\CarbonImmutable;
use Elmstone\Books\Books;
use Elmstone\Books\DocumentApprovals;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\MoneyOut\Gate;
use Elmstone\MoneyOut\GoingOut;
use Elmstone\MoneyOut\HandBack;
use Elmstone\Receivables\Ledger\PaymentDraft;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;

/**
 * Pays commission out: in cash from the drawer or by bank transfer, never more than is owed, by the one gate of money
 * out, and never by the person whose it is.
 */
final class PayCommission
{
    public function __construct(
        private readonly Books $books,
        private readonly Gate $gate,
        private readonly HandBack $back,
        private readonly PaymentDraft $drafts,
        private readonly EarnedCommission $commission,
        private readonly House $house,
    ) {
    }

    /**
     * @param  CarbonImmutable  $until the last day of what it is paid for
     * @return int the document's id
     *
     * @throws Refused own_commission, no_amount, no_such_way, not_over_yet, more_than_owed, and what needs approval
     */
    public function handle(
        Staff $person,
        CarbonImmutable $until,
        Money $amount,
        TenderKind $way,
        string $key,
        Till $till,
        Staff $by,
        ?GivenApproval $given = null,
    ): int {
        $person->is($by)
            && throw Refused::because('own_commission', 'Somebody else pays out your commission.');
        $amount->isPositive() || throw Refused::because('no_amount', 'Type how much is paid out.');
        in_array($way, [TenderKind::Cash, TenderKind::BankTransfer], true)
            || throw Refused::because('no_such_way', 'Commission is paid in cash or by bank transfer.');
        $until->greaterThan(ShopTime::today())
            && throw Refused::because('not_over_yet', 'Nothing is earned after today.');

        return $this->books->post(
            Posting::under($key)
                ->locking(fn () => $this->lock($person, $by))
                ->writing(fn (): int => $this->write($person, $until, $amount, $way, $key, $till, $by, $given)),
        );
    }

    /** Both by their gates, so that two who pay the same person follow each other. */
    private function lock(Staff $person, Staff $by): void
    {
        $both = [$person->id => $person, $by->id => $by];
        ksort($both);
        array_map($this->gate->lock(...), $both);
    }

    private function write(
        Staff $person,
        CarbonImmutable $until,
        Money $amount,
        TenderKind $way,
        string $key,
        Till $till,
        Staff $by,
        ?GivenApproval $given,
    ): int {
        $owed = CommissionStatement::owedUntil($person->id, $until, $this->commission, $this->house);
        $amount->exceeds($owed) && throw Refused::because(
            'more_than_owed',
            $owed->isPositive()
                ? 'Of what was earned up to '.Show::date($until).' only '.Show::money($owed).' is owed.'
                : "Nothing is owed to {$person->name} of what was earned up to ".Show::date($until).'.',
        );
        $allowed = $this->back->allow($by, $given, $this->gate->needs(
            $by, ShopTime::today(), [new GoingOut($way, $amount, "commission of {$person->number}")], 'commission',
        ));
        $document = $this->books->document($this->drafts->draft(
            DocumentKind::Adjustment,
            MoneyEntry::drawer(Purpose::CommissionPaid, $amount),
            PostedAt::till($till, $by->id),
            new Party,
            $key,
            [new DraftTender(Tender::of($way, $amount), $amount)],
            note: "Commission of {$person->number} {$person->name} up to {$until->format('j M Y')}",
        ));
        DB::table('commission_payments')->insert([
            'document_id' => $document,
            'staff_id' => $person->id,
            'until' => $until->format('Y-m-d'),
            'business_date' => ShopTime::today()->format('Y-m-d'),
            'amount' => $amount,
        ]);
        DocumentApprovals::keep($document, $allowed);

        return $document;
    }
}
