<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Books\Accounts;
use Elmstone\Books\Books;
use Elmstone\Books\DocumentApprovals;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\MoneyOut\Gate;
use Elmstone\MoneyOut\GoingOut;
use Elmstone\MoneyOut\HandBack;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Ramsey\Uuid\Uuid;

/**
 * Cash that comes and goes in a session besides sales: more of it from the safe, a drop into the safe, change, petty
 * cash. What is spent passes the one gate of money out; what only changes its place does not.
 */
final class MoveCash
{
    public function __construct(
        private readonly Books $books,
        private readonly DrawerPosting $posting,
        private readonly Gate $gate,
        private readonly HandBack $back,
    ) {
    }

    /**
     * @return int the document's id; of change that is fetched, that of what comes
     *
     * @throws Refused not_open, till_counted, no_amount, reason_missing, no_account, and what needs approval
     */
    public function handle(Till $till, CashMove $move, Staff $by, string $key, ?GivenApproval $given = null): int
    {
        self::assertSaid($move);

        return $this->books->post(
            Posting::under($key)
                // Also where nothing is spent: one form sent twice at once is posted once.
                ->locking(fn () => $this->gate->lock($by))
                ->writing(
                    fn (): int => $move->purpose === null
                        ? $this->change($till, $move, $by, $key)
                        : $this->write($till, $move->purpose, $move, $by, $key, $given),
                ),
        );
    }

    /** @throws Refused no_such_move, no_amount, reason_missing, no_account */
    private static function assertSaid(CashMove $move): void
    {
        $move->purpose === null
            || in_array($move->purpose, Purpose::movingCash(), true)
            || throw Refused::because('no_such_move', 'Say what it is: from the safe, a drop, change, or petty cash.');
        $move->amount->isPositive() || throw Refused::because('no_amount', 'Type how much.');

        if ($move->isSpent() && $move->reason === '') {
            throw Refused::because('reason_missing', 'Write what it is spent on, as the receipt says.');
        }

        if ($move->isSpent() && ! isset(Accounts::PETTY[$move->account])) {
            throw Refused::because('no_account', 'Say what kind of expense it is.');
        }
    }

    /** Large notes go to the safe, and as much comes back in small ones and coins: a document each way. */
    private function change(Till $till, CashMove $move, Staff $by, string $key): int
    {
        $reason = trim("Change fetched. {$move->reason}");
        $out = Uuid::uuid5($key, 'out')->toString();
        $this->document($till, Purpose::CashDrop, $move->amount, '', $reason, $by, $out);

        return $this->document($till, Purpose::CashUp, $move->amount, '', $reason, $by, $key);
    }

    private function write(
        Till $till,
        Purpose $purpose,
        CashMove $move,
        Staff $by,
        string $key,
        ?GivenApproval $given,
    ): int {
        $allowed = $this->back->allow($by, $given, $this->needs($move, $by));
        $account = $move->isSpent() ? $move->account : '';
        $document = $this->document($till, $purpose, $move->amount, $account, $move->reason, $by, $key);
        DocumentApprovals::keep($document, $allowed);
        $move->receipt?->keep($document);

        return $document;
    }

    private function document(
        Till $till,
        Purpose $purpose,
        Money $amount,
        string $account,
        string $reason,
        Staff $by,
        string $key,
    ): int {
        return $this->books->document(
            $this->posting->draft(
                PostedAt::till($till, $by->id),
                $purpose,
                $amount,
                TenderKind::Cash,
                $key,
                $reason,
                $account,
            ),
        );
    }

    /** @return list<Need> */
    private function needs(CashMove $move, Staff $by): array
    {
        return $move->isSpent()
            ? $this->gate->needs($by, ShopTime::today(), [new GoingOut(TenderKind::Cash, $move->amount)], 'petty')
            : [];
    }
}
