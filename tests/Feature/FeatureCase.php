<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\Proof\Prove;
use Elmstone\Core\Credits\CardCode;
use Elmstone\Core\Money\Money;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Held\Cards\GiftCard;
use Elmstone\Held\Cards\KeptCode;
use Elmstone\Shop\Shop;
use Elmstone\Staff\Staff;
use Elmstone\Support\LockLadder;
use Elmstone\Tests\TestCase;
use Elmstone\Tills\Drawer;
use Elmstone\Tills\TillSession;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\RefreshDatabaseState;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** Tests through HTTP, on MariaDB, in a small shop. */
abstract class FeatureCase extends TestCase
{
    use RefreshDatabase;

    /** @var array<string, string> databases of this process that are ready, and the day on which they were made so */
    private static array $ready = [];

    /** The database the last test was on. */
    private static string $last = '';

    protected string $slip;

    protected function setUp(): void
    {
        parent::setUp();
        LockLadder::watch(app('events'), 1);
        Shop::query()->exists() || Scene::build($this->shop(), $this->tillsAreOpen());
        $this->withoutVite();
        $this->slip = (string) Str::uuid();
        $this->as('101');
    }

    /**
     * The usual shop is built once for all tests, each of which takes back what it did. One that differs is built
     * within its test, on a database in which there is none.
     */
    public function refreshDatabase(): void
    {
        $isUsual = $this->shop() === [] && $this->tillsAreOpen();
        $name = config('database.connections.mariadb.database').($isUsual ? '' : '_bare');
        $isUsual || $this->useDatabase($name);

        // A test that changed the tables themselves could not take back what it did.
        RefreshDatabaseState::$migrated || self::$ready = array_diff_key(self::$ready, [self::$last => true]);

        if ((self::$ready[$name] ?? '') !== date('Y-m-d')) {
            $this->artisan('migrate:fresh');
            $isUsual && Scene::build();
            self::$ready[$name] = date('Y-m-d');
        }

        self::$last = $name;
        RefreshDatabaseState::$migrated = true;
        $this->beginDatabaseTransaction();
    }

    /**
     * Settings of the shop that differ from the usual.
     *
     * @return array<string, mixed>
     */
    protected function shop(): array
    {
        return [];
    }

    /** Whether the tills are open already, with nothing in them. */
    protected function tillsAreOpen(): bool
    {
        return true;
    }

    protected function as(string $number, int $till = 1): static
    {
        $this->flushSession();
        $this->actingAs(Staff::query()->where('number', $number)->firstOrFail())->withSession(['till' => $till]);

        return $this;
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    protected function does(string $act, array $fields = []): TestResponse
    {
        $slip = Slip::query()->where('key', $this->slip)->first();

        return $this->post("/counter/{$this->slip}/{$act}", [
            'act' => (string) Str::uuid(),
            'version' => (string) ($slip->version ?? ''),
            ...$fields,
        ]);
    }

    protected function add(string ...$entries): static
    {
        foreach ($entries as $entry) {
            $this->does('add', ['entry' => $entry, 'version' => ''])->assertOk();
        }

        return $this;
    }

    protected function slip(): Slip
    {
        return Slip::query()
            ->where('key', $this->slip)
            ->firstOrFail()
            ->load(['lines.item', 'cards', 'document']);
    }

    /** The only line, or the one with this place. */
    protected function lineId(int $place = 0): int
    {
        return $this->slip()->lines[$place]->id;
    }

    protected function document(): Document
    {
        return $this->slip()->document?->load(['lines', 'taxes', 'tenders', 'journal'])
            ?? throw new \LogicException('The slip is not posted.');
    }

    /** Sells what is given for cash, and posts it. */
    protected function sell(string ...$entries): Document
    {
        $this->slip = (string) Str::uuid();
        $this->add(...$entries);
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();

        return $this->document();
    }

    /** What the simulated terminal does next. */
    protected function terminal(string $mood): static
    {
        $this->post('/devices/terminal', ['mood' => $mood])->assertSessionHasNoErrors();

        return $this;
    }

    protected function rows(string $table): int
    {
        return DB::table($table)->count();
    }

    /** How many documents there are besides the one the shop's stock began with. */
    protected function documents(): int
    {
        return DB::table('documents')->where('kind', '<>', 'goods_in')->count();
    }

    /** The number of a gift card: as it is kept until it is printed, or as it stands on its paper. */
    protected function numberOf(GiftCard|int $card): string
    {
        $card = $card instanceof GiftCard ? $card->refresh() : GiftCard::query()->findOrFail($card);

        if ($card->number !== null) {
            return Crypt::decryptString($card->number);
        }

        foreach (DB::table('printed_papers')->orderByDesc('id')->pluck('html') as $html) {
            preg_match_all('/\b9\d{15}\b/', (string) $html, $found);

            foreach ($found[0] as $digits) {
                if (CardCode::looksLikeOne($digits) && KeptCode::of(CardCode::of($digits)) === $card->code) {
                    return $digits;
                }
            }
        }

        throw new \LogicException('The number of this card is printed nowhere.');
    }

    protected function assertProves(): void
    {
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    /** What should be in each drawer by the journals is what a plain sum over its documents gives. */
    protected function assertDrawersAreRight(): void
    {
        foreach (TillSession::query()->get() as $session) {
            $this->assertSame(
                PlainDrawer::of($session),
                array_map(static fn (Money $amount): int => $amount->minor, app(Drawer::class)->expected($session)),
            );
        }
    }

    /**
     * That it was refused, and said why in these words.
     *
     * @param  TestResponse<\Symfony\Component\HttpFoundation\Response>  $answer
     */
    protected function assertRefused(string $words, TestResponse $answer): void
    {
        $answer->assertSessionHasErrors();
        $this->assertStringContainsString($words, implode(' ', session('errors')->all()));
    }
}
