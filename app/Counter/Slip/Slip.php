<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Cards\CardSubject;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Reduction;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Customers\Contact;
use Elmstone\Customers\Customer;
use Elmstone\Layaways\Layaway;
use Elmstone\Orders\Order;
use Elmstone\Plans\Plan;
use Elmstone\Quotes\Quote;
use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Elmstone\Support\Casts\MoneyByNameCast;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Database\Record;
use Elmstone\Support\ShopTime;
use Illuminate\Database\Eloquent\Collection;

/**
 * The working paper of one customer at the counter, while it can still change. Changed through SlipDesk only.
 *
 * @property int $id
 * @property string $key names the slip, and is the idempotency key of what it becomes
 * @property int $location_id
 * @property int $till_id where it lies
 * @property int $staff_id who began it
 * @property int|null $sharing_id who sells it; null: who serves
 * @property SlipState $state
 * @property Becomes $becomes what it is to become
 * @property int $version rises with every change
 * @property string $customer_name
 * @property int|null $customer_id null: a passer-by
 * @property int|null $contact_id who of them buys
 * @property string $purchase_order
 * @property string $job
 * @property Money|null $charge minor units to the house account
 * @property Money|null $on_account minor units paid towards the house account with it
 * @property bool $leaves_discount that no settlement discount is given for it
 * @property int|null $plan_id the payment plan whose parts that money meets first
 * @property Money|null $deposit_in minor units of a deposit taken with it
 * @property string $deposit_for the order it is kept for; empty: free
 * @property Money|null $deposit_used minor units of the deposits held, towards what is due
 * @property bool $has_parts whether there are layaways, coupons or gift cards on it
 * @property array<string, Money>|null $back what goes back by which way; null: nothing comes back
 * @property array<string, bool>|null $back_other money ways that were opened though nothing came in by them
 * @property string $back_reference of the shop's cheque or transfer
 * @property string|null $back_card the gift card it goes on; null: a new one
 * @property string $credit_to what goes to the account beyond its invoice: unused or oldest
 * @property Money|null $store_credit_used minor units of store credit towards what is due
 * @property int|null $credit_note_id
 * @property string $note why it waits, for whoever takes it up again
 * @property string $undo in words, what would be taken back next; empty: nothing
 * @property list<string>|null $after_card what was taken off or changed after a card had paid
 * @property list<int>|null $on_items open items that what is paid towards the account meets first
 * @property list<string>|null $unknown what was scanned, is in no list and waits for somebody
 * @property int|null $void_of_id the invoice it takes back whole
 * @property int|null $agreement_id what it was held as
 * @property int|null $quote_id the quote that is taken up with it, or changed by it
 * @property int|null $receipt_id
 * @property CarbonImmutable|null $business_date null: the day it is posted
 * @property Percentage|null $discount_percent
 * @property Money|null $discount_amount minor units
 * @property string $title
 * @property Money $total minor units, as last reckoned: what is settled with it, or what is set aside
 * @property Money|null $cash minor units counted so far
 * @property Money|null $cheque minor units
 * @property string $cheque_number
 * @property PaperWay $paper
 * @property string $mail_to
 * @property int|null $document_id
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable $updated_at
 * @property-read Location $location
 * @property-read Till $till
 * @property-read Customer|null $customer
 * @property-read Plan|null $plan
 * @property-read Contact|null $contact
 * @property-read Document|null $document
 * @property-read Document|null $receipt
 * @property-read SlipHold|null $hold of a layaway
 * @property-read SlipPromise|null $promise of an order or a quote
 * @property-read Order|null $order it became
 * @property-read Quote|null $quote it became
 * @property-read Quote|null $takesUp the quote its goods were offered by
 * @property-read Layaway|null $heldAs
 * @property-read Collection<int, LineOnSlip> $lines
 * @property-read Collection<int, CardRequest> $cards
 * @property-read Collection<int, ReturnOnSlip> $returns
 * @property-read Document|null $creditNote
 * @property-read Collection<int, SlipPart> $partRows
 */
final class Slip extends Record
{
    protected $table = 'slips';

    public $timestamps = true;

    use HasOwnTerms;
    use HasParts;
    use InHand;
    use SlipRelations;
    use SlipTouches;

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $casts = [
        'charge' => MoneyCast::class,
        'on_account' => MoneyCast::class,
        'deposit_in' => MoneyCast::class,
        'deposit_used' => MoneyCast::class,
        'store_credit_used' => MoneyCast::class,
        'discount_amount' => MoneyCast::class,
        'total' => MoneyCast::class,
        'cash' => MoneyCast::class,
        'cheque' => MoneyCast::class,
        'discount_percent' => PercentageCast::class,
        'state' => SlipState::class,
        'becomes' => Becomes::class,
        'paper' => PaperWay::class,
        'version' => 'int',
        'leaves_discount' => 'bool',
        'has_parts' => 'bool',
        'own_terms' => 'bool',
        'back' => MoneyByNameCast::class,
        'back_other' => 'array',
        'unknown' => 'array',
        'after_card' => 'array',
        'on_items' => 'array',
        'business_date' => 'immutable_date',
        'created_at' => 'immutable_datetime',
        'updated_at' => 'immutable_datetime',
    ];

    /** What a terminal is asked for with it. */
    public function cardSubject(): CardSubject
    {
        return CardSubject::slip($this->id, $this->key);
    }

    /**
     * Whether money went back to a card with it, or may have, that no document says yet: then its goods and it itself
     * stay.
     */
    public function paysCardBack(): bool
    {
        return $this->cards->contains(static fn (CardRequest $card): bool => $card->isBack() && $card->isPending());
    }

    /** Notes what is done to the goods after a card has paid for them: whoever looks at the slip sees it. */
    public function changedAfterCard(string $what): void
    {
        if ($this->cards()->whereIn('state', CardState::paying())->exists()) {
            $this->after_card = [...$this->after_card ?? [], $what];
        }
    }

    /** Whether what is on it is sold here and now. */
    public function becomesSale(): bool
    {
        return $this->becomes === Becomes::Sale;
    }

    /** It is to become something else; what it would have been is gone. */
    public function turnInto(Becomes $becomes): void
    {
        $becomes === Becomes::Layaway || SlipHold::query()->whereKey($this->id)->delete();
        in_array($becomes, [Becomes::Order, Becomes::Quote], true)
            || SlipPromise::query()->whereKey($this->id)->delete();
        $this->forceFill(['becomes' => $becomes]);
    }

    /** Reads what it would be as what it is to become. */
    public function loadBecoming(): void
    {
        $this->becomes === Becomes::Layaway ? $this->load('hold') : $this->setRelation('hold', null);
        in_array($this->becomes, [Becomes::Order, Becomes::Quote], true)
            ? $this->load('promise')
            : $this->setRelation('promise', null);
    }

    /** Whether something comes back on it. */
    public function takesBack(): bool
    {
        return $this->back !== null;
    }

    public function layaway(int $id): ?Layaway
    {
        return $this->paidOn[$id] ?? null;
    }

    public function isPosted(): bool
    {
        return $this->state === SlipState::Posted;
    }

    /** Whether nothing on it changes any more: it is posted, or was practised. */
    public function isDone(): bool
    {
        return $this->isPosted() || $this->state === SlipState::Practised;
    }

    public function discount(): ?Reduction
    {
        return Reduction::stored($this->discount_percent, $this->discount_amount);
    }

    /** Where and when it would be posted by who stands at its till: for what is shown before. */
    public function wouldBePostedAt(): PostedAt
    {
        return $this->postedAt
            ?? PostedAt::till($this->till, $this->by->id ?? $this->staff_id, $this->day())->of($this->location_id);
    }

    /** The day it would be posted on. */
    public function day(): CarbonImmutable
    {
        return $this->business_date ?? ($this->today ??= ShopTime::today());
    }

    public function isBackdated(): bool
    {
        return ! $this->day()->isSameDay(ShopTime::today());
    }
}
