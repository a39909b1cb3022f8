<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Brick\Math\RoundingMode;
use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Cards\CardTill;
use Elmstone\Catalogue\Item;
use Elmstone\Consignment\OwnerAccount;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipState;
use Elmstone\Customers\Customer;
use Elmstone\Held\Cards\GiftCard;
use Elmstone\Layaways\Layaway;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Shop\House;
use Illuminate\Foundation\Http\Events\RequestHandled;
use Illuminate\Routing\Events\RouteMatched;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\HttpFoundation\Response;
use Throwable;

/**
 * Honest and greedy people at two tills, by requests as a browser or a crafted script would send them: they sell, bring
 * back, void, put by, cancel, pay in and have paid out; they press twice, raise figures after approval, use other
 * slips, other cards and other ways, clear what a terminal has paid, and approve themselves. Terminals decline, fall
 * silent and go off line; processes die between two statements. After every act the plain model must find nothing
 * wrong; at the end, the terminal's own journal must be ours.
 */
final class GreedySimulationTest extends FeatureCase
{
    use GreedyWays;
    use Layaways;

    private const SEED = 20261126;

    /** The share that runs with every test; `./elmstone prove` runs thousands. */
    private const ACTS = 90;

    private const ITEMS = ['LH-1140', 'LH-1141', 'PI-2800', 'MA-0031', 'WA-0001', 'OW-1', 'OW-1'];

    private const ACTIONS = [
        'sellsCash', 'sellsCash', 'sellsCard', 'sellsCard', 'sellsTwoCards', 'sellsMixed', 'charges', 'sellsGift',
        'spendsGift', 'bringsBack', 'bringsBack', 'bringsBack', 'bringsBack', 'exchanges', 'voids', 'deposits',
        'depositBack', 'puts', 'pays', 'cancels', 'cancels', 'paysIn', 'paidOut', 'reverses', 'asksAgain', 'givesBack',
        'clears', 'finishes', 'finishes', 'onThreeSlips', 'pressesTwice', 'raisesAfterApproval', 'anotherWay',
        'anotherCard', 'takesLineAway', 'blind', 'approvesSelf', 'evenExchangeOfCharge', 'overpays', 'settlesTwice',
        'settlesTwice', 'takesGoodsHome', 'memberBuys', 'memberBuys', 'memberBuys', 'spendsCredit', 'paysAsRefused',
        'keepsCard', 'paysOnFile', 'paysOnFile', 'paysByLink', 'paysByLink', 'entersTakings', 'entersTakings',
        'changesTerminal',
    ];

    private Randomizer $chance;

    private PlainMoney $model;

    private ?int $diesIn = null;

    private bool $inside = false;

    /** @var array<string, int> */
    private array $told = [];

    /** @var list<Customer> */
    private array $people = [];

    private string $now = '';

    private string $who = '101';

    public function test_nobody_gets_more_than_they_brought(): void
    {
        $acts = (int) (getenv('ELMSTONE_ACTS') ?: self::ACTS);
        $seed = (int) (getenv('ELMSTONE_SEED') ?: self::SEED);
        fwrite(STDERR, "honest and greedy people: seed {$seed}, {$acts} acts\n");
        $this->chance = new Randomizer(new Mt19937($seed));
        $this->model = new PlainMoney;
        $this->people = [
            $this->account('5000.00', 'Fern & Flint Paving'),
            $this->account('5000.00', 'Second Firm'),
            $this->customer('Wren Hollis'),
        ];
        DB::table('customers')->update(['phone' => '555 0142']);
        Scene::stock(array_values(Item::query()->get()->all()), 100_000);
        $this->ownersAndMembers();
        $this->newWays();
        Event::listen(RouteMatched::class, fn () => ($this->inside = true));
        Event::listen(RequestHandled::class, fn () => ($this->inside = false));
        DB::listen(function (): void {
            if ($this->diesIn !== null && $this->inside) {
                $this->diesIn--;
            }

            if ($this->diesIn === 0) {
                $this->diesIn = null;

                throw new Killed('The process died.');
            }
        });

        for ($i = 0; $i < $acts; $i++) {
            $this->happens($i);
        }

        $this->settleEverything();
        $this->assertSame([], PlainMoney::questions());
        $this->assertSame([], $this->model->read());
        $this->assertProves();
        $this->assertDrawersAreRight();
        $this->assertEnoughHappened($acts);
    }

    /** Somebody whose goods are sold here, members who collect points, and a firm whose cheques are not taken. */
    private function ownersAndMembers(): void
    {
        Supplier::query()->create([
            'code' => 'OWNER', 'name' => 'Whose goods they are', 'version' => 1, 'customer_id' => $this->people[2]->id,
        ]);
        $item = Item::query()->create([
            'code' => 'OW-1', 'description' => 'Turned bowl', 'department_id' => 1, 'unit' => 'each', 'price_per' => 1,
            'list_price' => '39.95', 'floor_price' => '25', 'cost' => '0', 'tax_class' => 'standard',
            'may_discount' => true, 'net_price' => false, 'active' => true,
        ]);
        $this->as('901');

        foreach (
            [
                '/owners/OWNER/terms' => [
                    'owner_percent' => '57.5', 'card_fee_percent' => '2', 'customer' => $this->people[2]->number,
                ],
                '/owners/OWNER/items' => ['code' => 'OW-1'],
                '/owners/OWNER/take-in' => ['quantity' => [$item->id => '900']],
                '/rewards/terms' => [
                    'runs' => '1', 'per_unit' => '1', 'threshold' => '100', 'reward' => '5', 'months' => '',
                ],
                "/customers/{$this->people[0]->number}/rewards" => [],
                "/customers/{$this->people[2]->number}/rewards" => [],
                "/customers/{$this->people[1]->number}" => [
                    'name' => $this->people[1]->name, 'kind' => 'firm', 'version' => $this->people[1]->version,
                    'ways_shown' => '1', 'refused' => ['cheque'], 'refused_why' => ['cheque' => 'one bounced'],
                ],
            ] as $path => $fields
        ) {
            $this->post($path, ['key' => (string) Str::uuid(), ...$fields])->assertSessionHasNoErrors();
        }
    }

    private function happens(int $act): void
    {
        $name = $this->pick(self::ACTIONS);
        $this->who = $this->pick(['101', '101', '101', '201', '301']);
        $this->as($this->who, $this->pick([1, 1, 1, 2]));
        $this->chance->getInt(0, 3) > 0
            || $this->terminal(
                $this->pick([
                    'approve', 'decline', 'silent_approve', 'silent_decline', 'off_line', 'partial', 'approve',
                ]),
            );
        $this->diesIn = $this->chance->getInt(0, 19) === 0 ? $this->chance->getInt(1, 150) : null;
        $this->now = $name;
        $this->{$name}();
        $this->diesIn = null;
        $faults = $this->model->read();
        $this->assertSame([], $faults, "act {$act}, {$name}");
        $act % 60 === 59 && $this->assertProves();
    }

    /** That the share is worth something: every kind of act went through, and every kind of greed was refused. */
    private function assertEnoughHappened(int $acts): void
    {
        $report = json_encode($this->told, JSON_THROW_ON_ERROR);
        getenv('ELMSTONE_ACTS') === false || fwrite(STDERR, $report."\n");
        $this->assertGreaterThan($acts / 4, DB::table('documents')->count(), $report);
        $this->assertGreaterThan($acts / 40, DB::table('documents')->where('kind', 'credit_note')->count(), $report);
        $this->assertGreaterThan(
            $acts / 20,
            array_sum(
                array_filter(
                    $this->told,
                    static fn (string $what): bool => str_contains($what, 'refused'),
                    ARRAY_FILTER_USE_KEY,
                ),
            ),
            $report,
        );
        $this->assertGreaterThan(0, DB::table('card_requests')->where('against', '<>', '')->count(), $report);
        $this->assertGreaterThan(0, DB::table('owner_settlements')->count(), $report);
        $this->assertGreaterThan(0, DB::table('documents')->where('purpose', 'reward')->count(), $report);
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $of
     * @return T
     */
    private function pick(array $of): mixed
    {
        return $of[$this->chance->getInt(0, count($of) - 1)];
    }

    /** @param  TestResponse<Response>  $answer */
    private function went(TestResponse $answer): bool
    {
        $fine = $answer->getStatusCode() < 400 && ($answer->getStatusCode() < 300 || session('errors') === null);
        $key = "{$this->now} ".($answer->getStatusCode() >= 500 ? 'died' : ($fine ? 'done' : 'refused'));
        $this->told[$key] = ($this->told[$key] ?? 0) + 1;
        // The only thing that may break is a process we killed.
        $answer->getStatusCode() < 500
            || self::isKilled($answer->exception)
            || $this->fail("{$this->now}: ".$answer->exception?->getMessage());

        return $fine;
    }

    /** A page says what it was at when the process died. */
    private static function isKilled(?Throwable $failure): bool
    {
        return $failure instanceof Killed || ($failure !== null && self::isKilled($failure->getPrevious()));
    }

    /** @param  array<string, mixed>  $fields */
    private function try(string $act, array $fields = []): bool
    {
        return $this->went($this->does($act, $fields));
    }

    /** @param  array<string, mixed>  $fields */
    private function office(string $path, array $fields): bool
    {
        return $this->went(
            $this->post($path, ['key' => (string) Str::uuid(), 'act' => (string) Str::uuid(), ...$fields]),
        );
    }

    /** @return array<string, string> somebody allows it: a supervisor, the owner, or the one who asks */
    private function allowed(): array
    {
        $who = $this->pick(['201', '901', '901']);

        return ['approver' => $who, 'approver_pin' => "4{$who}", 'approver_reason' => 'seen'];
    }

    private function goods(int $most = 3): void
    {
        $this->slip = (string) Str::uuid();

        foreach (range(1, $this->chance->getInt(1, $most)) as $ignored) {
            $this->try('add', [
                'entry' => "{$this->chance->getInt(1, 3)} x {$this->pick(self::ITEMS)}",
                'version' => '',
            ]);
        }
    }

    private function posts(): bool
    {
        $this->confirms();
        $this->chance->getInt(0, 2) > 0 || $this->try('approve', ['place' => '', ...$this->allowed()]);

        $posted = $this->try('post');

        return $posted || ($this->chance->getInt(0, 1) === 1 && $this->does('post')->getStatusCode() === 200);
    }

    private function sellsCash(): void
    {
        $this->goods();
        $this->try('cash', ['cash' => '1000']);
        $this->posts();
    }

    private function sellsCard(): void
    {
        $this->goods();
        $this->try('card');
        $this->posts();
    }

    private function sellsTwoCards(): void
    {
        $this->goods();
        $this->try('card', ['card' => '3.10', 'seen' => '0']);
        $this->try('card', ['seen' => '1', 'another' => '1']);
        $this->posts();
    }

    private function sellsMixed(): void
    {
        $this->goods();
        $this->try('card', ['card' => '2.00']);
        $this->try('cash', ['cash' => '1000']);
        $this->posts();
    }

    private function charges(): void
    {
        $this->goods();
        $this->try('customer', ['customer' => $this->people[0]->id]);
        $this->try('charge', ['rest' => '1']);
        $this->posts();
    }

    private function sellsGift(): void
    {
        $this->slip = (string) Str::uuid();
        $this->try('gift-cards', ['worth' => '20', 'code' => '']);
        $this->chance->getInt(0, 1) === 1 ? $this->try('cash', ['cash' => '20']) : $this->try('card');
        $this->posts();
    }

    private function spendsGift(): void
    {
        $this->goods(1);
        $code = $this->anyGiftCard();
        $code === null || $this->try('gift-cards/use', ['card_code' => $code]);
        $this->try('cash', ['cash' => '1000']);
        $this->posts();
    }

    private function anyGiftCard(): ?string
    {
        $cards = GiftCard::query()->whereRelation('account', 'balance', '>', 0)->orderBy('id')->get()->all();

        return $cards === [] ? null : $this->numberOf($this->pick($cards));
    }

    private function anySale(string $paidBy = ''): ?Document
    {
        $sold = DB::table('documents')
            ->where('kind', 'invoice')
            ->where('purpose', 'sale')
            ->when(
                $paidBy !== '',
                static fn ($query) => $query->whereIn(
                    'id',
                    DB::table('document_tenders')->where('kind', $paidBy)->select('document_id'),
                ),
            )
            ->orderBy('id')
            ->pluck('id')
            ->all();

        return $sold === []
            ? null
            : Document::query()
                ->with(['lines', 'tenders'])
                ->find($this->pick(array_values($sold)));
    }

    /** A slip on which something of a sale comes back. */
    private function backOf(?Document $sale, string $quantity = ''): bool
    {
        $line = $sale?->lines->where('direction', 'out')->first();

        if ($sale === null || $line === null) {
            return false;
        }

        $this->slip = (string) Str::uuid();
        $most = max(1, $line->quantity->value->toScale(0, RoundingMode::DOWN)->toInt());
        $quantity = $quantity === '' ? (string) $this->chance->getInt(1, $most) : $quantity;

        return $this->try('back', [
            'back' => ["{$sale->id}:{$line->position}" => $quantity],
            'reason' => $this->pick(['not_needed', 'faulty', 'wrong_item']),
            'goods_to' => '',
            'found_by' => $sale->label,
        ]);
    }

    private function moneyBack(?Document $sale): void
    {
        foreach ($sale?->tenders->where('kind.value', 'card') ?? [] as $tender) {
            $this->try('refund/terminal', [
                'authorisation' => $tender->authorisation,
                ...$this->chance->getInt(0, 2) === 0 ? $this->allowed() : [],
            ]);
        }

        $this->pick([true, false])
            ? $this->try('refund/as-it-came')
            : $this->try('refund', ['way' => 'cash', 'rest' => '1']);
    }

    private function bringsBack(): void
    {
        $sale = $this->anySale($this->pick(['', 'cash', 'card', 'card', 'house_account', 'gift_card']));

        if ($this->backOf($sale)) {
            $this->moneyBack($sale);
            $this->posts();
        }
    }

    private function exchanges(): void
    {
        $sale = $this->anySale();

        if ($this->backOf($sale)) {
            $this->try('add', ['entry' => $this->pick(self::ITEMS), 'version' => '']);
            $this->moneyBack($sale);
            $this->try('cash', ['cash' => '1000']);
            $this->posts();
        }
    }

    private function voids(): void
    {
        $sale = $this->anySale();
        $sale === null || $this->office("/documents/{$sale->label}/void", $this->allowed());
        $this->chance->getInt(0, 1) === 0
            || $sale === null
            || $this->office("/documents/{$sale->label}/void", $this->allowed());
    }

    private function deposits(): void
    {
        $this->slip = (string) Str::uuid();
        $this->try('customer', ['customer' => $this->people[2]->id]);
        $this->try('deposit', ['deposit_in' => '30', 'deposit_for' => '']);
        $code = $this->anyGiftCard();

        match (true) {
            $code !== null && $this->chance->getInt(0, 2) === 0 => $this->try('gift-cards/use', ['card_code' => $code]),
            $this->chance->getInt(0, 1) === 1 => $this->try('cash', ['cash' => '30']),
            default => $this->try('card'),
        };
        $this->posts();
    }

    private function depositBack(): void
    {
        foreach ([1, 2] as $ignored) {
            $this->office("/deposits/{$this->people[2]->number}/pay-back", [
                'amount' => $this->pick(['10', '30', '60']),
                'way' => $this->pick(['cash', 'card', 'gift_card']),
                'reference' => '',
                'reason' => 'asked',
                ...$this->allowed(),
            ]);
        }
    }

    private function puts(): void
    {
        $this->slip = (string) Str::uuid();
        $this->try('customer', ['customer' => $this->people[2]->id]);
        $this->try('add', ['entry' => 'MA-0031', 'version' => '']);
        $this->try('hold', ['hold' => '40']);
        $this->chance->getInt(0, 1) === 1 ? $this->try('card') : $this->try('cash', ['cash' => '40']);
        $this->posts();
    }

    private function anyLayaway(): ?Layaway
    {
        $open = DB::table('agreements')
            ->whereIn('state', ['running', 'ready'])
            ->orderBy('id')
            ->pluck('id')
            ->all();

        return $open === [] ? null : Layaway::query()->find($this->pick(array_values($open)));
    }

    private function pays(): void
    {
        $layaway = $this->anyLayaway();

        if ($layaway !== null) {
            $this->slip = (string) Str::uuid();
            $this->try("layaways/{$layaway->label}");
            $layaway->remaining()->isPositive()
                && $this->try("layaways/{$layaway->label}/amount", [
                    'amount' => $this->pick([$layaway->remaining()->toString(), '20.00']),
                ]);
            $this->try("layaways/{$layaway->label}/leaves", ['leaves' => $this->pick(['0', '1'])]);
            $layaway->remaining()->isPositive()
                && ($this->chance->getInt(0, 1) === 1 ? $this->try('card') : $this->try('cash', ['cash' => '200']));
            $this->posts();
        }
    }

    private function cancels(): void
    {
        $layaway = $this->anyLayaway();

        foreach ($layaway === null ? [] : [1, 2, 3] as $try) {
            $refund = number_format(max(0, $layaway->held()->minor - 1000) / 100, 2, '.', '');
            $split = $this->pick([
                ['card' => $refund],
                ['cash' => $refund],
                ['deposit_held' => $refund],
                ['gift_card' => $refund],
            ]);
            $this->office("/layaways/{$layaway->label}/cancel", [
                'version' => $layaway->refresh()->version,
                'reason' => 'moves away',
                'back' => $split,
                ...$try > 1 ? $this->allowed() : [],
            ]);
        }
    }

    private function paysIn(): void
    {
        $this->slip = (string) Str::uuid();
        $this->try('customer', ['customer' => $this->people[$this->chance->getInt(0, 1)]->id]);
        $this->try('on-account', ['on_account' => $this->pick(['5', '40'])]);
        $this->chance->getInt(0, 1) === 1 ? $this->try('card') : $this->try('cash', ['cash' => '100']);
        $this->posts();
    }

    private function paidOut(): void
    {
        $credits = DB::table('open_items')
            ->where('kind', 'credit')
            ->where('open', '>', 0)
            ->orderBy('document_id')
            ->get()
            ->all();
        $credit = $credits === [] ? null : $this->pick(array_values($credits));
        $number = $credit === null ? null : DB::table('customers')->where('id', $credit->customer_id)->value('number');

        foreach ($number === null ? [] : [1, 2] as $ignored) {
            $this->office("/accounts/{$number}/items/{$credit?->label}/pay-out", [
                'amount' => number_format(((int) $credit?->open) / 100, 2, '.', ''),
                'way' => $this->pick(['cash', 'card', 'cheque', 'gift_card']),
                'reference' => '77',
                'reason' => 'asked',
                ...$this->allowed(),
            ]);
        }
    }

    private function reverses(): void
    {
        $receipts = DB::table('documents')->where('kind', 'receipt')->orderBy('id')->pluck('label')->all();
        $receipts === []
            || $this->office('/documents/'.$this->string($this->pick(array_values($receipts))).'/reverse', [
                'reason' => 'wrong person',
                ...$this->allowed(),
            ]);
    }

    private function string(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : '';
    }

    private function anyQuestion(): ?CardRequest
    {
        $asked = DB::table('card_requests')->where('subject', 'slip')->orderBy('id')->pluck('id')->all();

        return $asked === [] ? null : CardRequest::query()->find($this->pick(array_values($asked)));
    }

    /** A question of any slip, asked again there. */
    private function asksAgain(string $how = 'ask'): void
    {
        $card = $this->anyQuestion();
        $key = $card === null ? null : Slip::query()->whereKey($card->subject_id)->value('key');

        if ($card !== null && is_string($key)) {
            $this->slip = $key;
            $this->try("card/{$card->id}/{$how}");
        }
    }

    private function givesBack(): void
    {
        $this->asksAgain('give-back');
    }

    private function openSlip(): bool
    {
        $open = DB::table('slips')->where('state', SlipState::Open)->orderBy('id')->pluck('key')->all();
        $key = $open === [] ? null : $this->pick(array_values($open));
        $this->slip = is_string($key) ? $key : $this->slip;

        return is_string($key);
    }

    private function clears(): void
    {
        $this->openSlip() && $this->try('clear');
    }

    /** Somebody comes to a slip that waits, and tries to bring it to its end. */
    private function finishes(): void
    {
        if ($this->openSlip()) {
            foreach (
                $this->slip()->cards->filter(static fn (CardRequest $card): bool => $card->state->isOpen()) as $card
            ) {
                $this->try("card/{$card->id}/ask");
            }

            $this->try('approve', ['place' => '', ...$this->allowed()]);
            $this->try('cash', ['cash' => '1000']);
            $this->try('refund/as-it-came');
            $this->try('post');
        }
    }

    private function onThreeSlips(): void
    {
        $sale = $this->anySale('card');
        $slips = [];

        foreach ([1, 2, 3] as $ignored) {
            $all = $sale?->lines->first()?->quantity->value->toScale(0, RoundingMode::DOWN) ?? 1;
            $this->backOf($sale, (string) $all) && ($slips[] = $this->slip);
        }

        foreach ($slips as $this->slip) {
            $this->moneyBack($sale);
        }

        foreach ($slips as $this->slip) {
            $this->posts();
        }
    }

    private function pressesTwice(): void
    {
        $sale = $this->anySale('card');

        if ($this->backOf($sale)) {
            foreach ([1, 2, 3] as $ignored) {
                $this->try('refund/terminal', [
                    'authorisation' => (string) $sale?->tenders->firstWhere('kind.value', 'card')?->authorisation,
                    'seen' => $this->pick(['0', '0', '1']),
                    'version' => '',
                ]);
            }

            $this->try('post');
            $this->try('post');
        }
    }

    private function raisesAfterApproval(): void
    {
        $sale = $this->anySale();

        if ($this->backOf($sale, '1')) {
            $this->try('approve', ['place' => '', ...$this->allowed()]);
            $line = DB::table('slip_returns')->where('slip_id', $this->slip()->id)->value('id');
            $this->try("back/{$line}", ['quantity' => $this->pick(['3', '50', '9999'])]);
            $this->moneyBack($sale);
            $this->try('post');
        }
    }

    private function anotherWay(): void
    {
        if ($this->backOf($this->anySale())) {
            $this->try('refund', [
                'way' => $this->pick(['cash', 'cheque', 'gift_card', 'store_credit', 'bank_transfer']),
                ...$this->pick([['rest' => '1'], ['amount' => '500.00'], ['amount' => '-5']]),
            ]);
            $this->chance->getInt(0, 2) > 0 || $this->try('refund/other-way', ['way' => 'cash']);
            $this->posts();
        }
    }

    private function anotherCard(): void
    {
        $other = (string) $this->anySale('card')?->tenders->firstWhere('kind.value', 'card')?->authorisation;

        if ($this->backOf($this->anySale())) {
            $this->try('refund/terminal', ['authorisation' => $other, ...$this->allowed()]);
            $this->try('post');
        }
    }

    private function takesLineAway(): void
    {
        $sale = $this->anySale('card');

        if ($this->backOf($sale)) {
            $this->moneyBack($sale);
            $line = DB::table('slip_returns')->where('slip_id', $this->slip()->id)->value('id');
            $this->try("back/{$line}/remove");
            $this->try('clear');
            $this->backOf($sale) && $this->moneyBack($sale);
            $this->posts();
        }
    }

    private function blind(): void
    {
        $this->slip = (string) Str::uuid();
        $item = DB::table('items')->where('code', 'LH-1140')->value('id');
        $this->try('back/blind', [
            'item' => (string) $item,
            'quantity' => $this->pick(['1', '50']),
            'reason' => 'not_needed',
            'goods_to' => $this->pick(['', 'written_off']),
        ]);
        $this->try('refund', ['way' => $this->pick(['gift_card', 'cash', 'store_credit']), 'rest' => '1']);
        $this->assertFalse($this->try('post'), 'Goods nobody saw leave came back without approval.');
        $this->diesIn = null;
        $this->try('clear');
    }

    private function approvesSelf(): void
    {
        if ($this->backOf($this->anySale())) {
            $before = DB::table('approvals')->count();
            $who = $this->who;
            $this->try('approve', [
                'place' => '',
                'approver' => $who,
                'approver_pin' => "4{$who}",
                'approver_reason' => 'trust me',
            ]);
            $this->assertSame($before, DB::table('approvals')->count(), 'Somebody approved themselves.');
        }
    }

    private function evenExchangeOfCharge(): void
    {
        $charged = $this->anySale('house_account');

        if ($this->backOf($charged, '1')) {
            $this->try('add', ['entry' => (string) $charged?->lines->first()?->code, 'version' => '']);
            $this->posts()
                && $this->backOf(
                    Document::query()
                        ->with(['lines', 'tenders'])
                        ->where('kind', 'invoice')
                        ->latest('id')
                        ->first(),
                )
                && $this->moneyBack(null);
            $this->posts();
        }
    }

    private function overpays(): void
    {
        $this->goods(1);
        $this->try('card', ['card' => $this->pick(['99999', '0.01', '-3', '1e9'])]);
        $this->try('cash', ['cash' => $this->pick(['2000000000', '1000', '-1'])]);
        $this->posts();
    }

    /** An owner is paid what was sold, and the same again, by other ways, and with a figure of their own. */
    private function settlesTwice(): void
    {
        $this->as($this->pick(['301', '301', '101']), $this->pick([1, 2]));
        $owner = Supplier::query()->where('code', 'OWNER')->sole();
        $seen = OwnerAccount::until($owner, CarbonImmutable::today(), app(House::class))->payable()->toString();

        foreach ([1, 2, 3] as $ignored) {
            $this->office('/owners/OWNER/settle', [
                'until' => CarbonImmutable::today()->format('Y-m-d'),
                'way' => $this->pick(['bank_transfer', 'cheque', 'cash', 'store_credit']),
                'seen' => $this->pick([$seen, $seen, '999.00']),
                ...$this->allowed(),
            ]);
        }
    }

    private function takesGoodsHome(): void
    {
        $this->as($this->pick(['301', '301', '101']), 1);
        $item = (int) DB::table('items')->where('code', 'OW-1')->value('id');
        $this->office('/owners/OWNER/give-back', ['quantity' => [$item => $this->pick(['1', '5000', '-3'])]]);
    }

    private function memberBuys(): void
    {
        $this->goods();
        $this->try('customer', ['customer' => $this->people[$this->pick([0, 2])]->id]);
        $this->try('cash', ['cash' => '1000']);
        $this->posts();
    }

    private function spendsCredit(): void
    {
        $this->goods(1);
        $this->try('customer', ['customer' => $this->people[2]->id]);
        $this->try('store-credit', ['rest' => '1']);
        $this->try('store-credit', ['store_credit_used' => $this->pick(['5', '9999', '-5'])]);
        $this->try('cash', ['cash' => '1000']);
        $this->posts();
    }

    /** A cheque of who gives none, named before it and named after it. */
    private function paysAsRefused(): void
    {
        $this->goods(1);
        $is = ['customer' => $this->people[1]->id];
        $first = $this->pick([true, false]);
        $first && $this->try('customer', $is);
        $this->try('cheque', ['cheque' => '1.50', 'cheque_number' => '77']);
        $first || $this->try('customer', $is);
        $this->try('cash', ['cash' => '1000']);
        $this->posts();
        $passed = DB::table('documents as d')
            ->join('document_tenders as t', static fn ($join) => $join
                ->on('t.document_id', '=', 'd.id')
                ->where('t.kind', 'cheque'))
            ->where('d.kind', 'invoice')
            ->where('d.customer_id', $this->people[1]->id)
            ->whereNotExists(static fn ($query) => $query->from('document_approvals as p')
                ->join('approvals as a', 'a.id', '=', 'p.approval_id')
                ->whereColumn('p.document_id', 'd.id')
                ->where('a.what', 'refused_way'))
            ->exists();
        $this->assertFalse($passed, 'A cheque was taken of who gives none, and nobody allowed it.');
    }

    /** Terminals answer again, and every question gets its answer. */
    private function settleEverything(): void
    {
        foreach ([1, 2] as $till) {
            $this->as('901', $till)->terminal('approve');
        }

        DB::table('simulated_devices')->where('device', 'terminal')->update(['state' => '{"mood":"approve"}']);

        foreach (
            CardRequest::query()
                ->with('till')
                ->get()
                ->filter(static fn (CardRequest $card): bool => $card->state->isOpen()) as $card
        ) {
            for ($i = 0; $i < 5 && $card->state->isOpen(); $i++) {
                $card = $card->state === CardState::GivingBack
                        ? app(CardTill::class)->reverse($card, CardState::Asked)
                        : app(CardTill::class)->askAgain($card);
            }
        }
    }
}
