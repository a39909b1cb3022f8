<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Books\Document;
use Elmstone\Books\GoodsTo;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Lines\EntryText;
use Elmstone\Counter\Parts\Back\BringBack;
use Elmstone\Counter\Parts\Back\BringBackBlind;
use Elmstone\Counter\Parts\Back\ChangeReturn;
use Elmstone\Counter\Post\VoidSale;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Returns\Returnables;
use Elmstone\Returns\ReturnReason;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\ApprovalAsk;
use Elmstone\Staff\Approvals\CheckApproval;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Sight;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** Goods that come back at the counter. */
final class BackController
{
    public function __construct(private readonly CounterPage $page, private readonly House $house)
    {
    }

    /** What somebody bought and can bring back, while it is looked for. */
    public function find(
        Request $request,
        string $slip,
        Returnables $returnables,
        Sight $sight,
        AtTill $atTill,
        #[CurrentUser] Staff $by,
    ): View {
        $typed = $request->string('q')->trim()->value();
        $onSlip = Slip::query()->where('key', $slip)->first();
        $day = $onSlip?->day() ?? ShopTime::today();
        $lines = $returnables->find(
            $typed,
            $onSlip?->customer_id,
            $day,
            $sight->seesAll($by) ? null : $atTill->till()->location_id,
        );

        return view('counter.returnable', [
            'lines' => $lines,
            'typed' => $typed,
            'slip' => $slip,
            'customer' => $onSlip->customer_name ?? '',
            'items' => $this->itemsWithoutReceipt($typed, $returnables),
            'most' => Returnables::MOST,
            'house' => $this->house,
        ]);
    }

    public function add(Request $request, string $slip, BringBack $back): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'bring-back',
            'q',
            fn (Act $act) => $back->lines(
                $slip,
                $act,
                self::texts($request->array('back')),
                $this->reason($request),
                GoodsTo::tryFrom($request->string('goods_to')->value()),
                $request->string('found_by')->value(),
            ),
        );
    }

    public function blind(Request $request, string $slip, BringBackBlind $back): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'bring-back',
            'item',
            fn (Act $act) => $back->item(
                $slip,
                $act,
                Item::query()->findOrFail($request->integer('item')),
                EntryText::quantity($request->string('quantity', '1')->value()),
                $this->reason($request),
                GoodsTo::tryFrom($request->string('goods_to')->value()),
            ),
        );
    }

    public function oneOff(Request $request, string $slip, BringBackBlind $back): Response
    {
        return $this->page->after($request, $slip, 'back-one-off', 'price', function (Act $act) use (
            $request,
            $slip,
            $back,
        ): Slip {
            $words = $request->string('description')->trim()->value();

            return $words === ''
                ? throw Refused::because('no_words', 'Say what it is.')
                : $back->oneOff(
                    $slip,
                    $act,
                    mb_substr($words, 0, 160),
                    EntryText::quantity($request->string('quantity', '1')->value()),
                    $this->house->typedPrice($request->string('price')->value()),
                    $request->integer('department_id'),
                    $request->string('tax_class')->value(),
                    $this->reason($request),
                );
        });
    }

    public function change(Request $request, string $slip, int $line, ChangeReturn $back): Response
    {
        $typed = self::texts($request->only(['quantity', 'goods_to', 'reason', 'serials']));

        return $this->page->after(
            $request,
            $slip,
            "back.{$line}",
            (string) (array_key_first($typed) ?? 'quantity'),
            static fn (Act $act) => $back->change($slip, $act, $line, $typed),
        );
    }

    public function remove(Request $request, string $slip, int $line, ChangeReturn $back): Response
    {
        return $this->page->after(
            $request,
            $slip,
            "back.{$line}",
            'quantity',
            static fn (Act $act) => $back->remove($slip, $act, $line),
        );
    }

    public function waive(Request $request, string $slip, int $line, ChangeReturn $back): Response
    {
        return $this->page->after(
            $request,
            $slip,
            "back.{$line}.fee",
            'quantity',
            static fn (Act $act) => $back->waive($slip, $act, $line, $request->boolean('waive', true)),
        );
    }

    /** A fresh slip on which something of a document comes back. */
    public function begin(Document $document): RedirectResponse
    {
        return redirect()->route('counter.show', [(string) Str::uuid(), 'back' => $document->label]);
    }

    /** @throws Refused */
    public function void(Request $request, Document $document, VoidSale $void, CheckApproval $check): RedirectResponse
    {
        $ask = ApprovalAsk::from($request)
            ?? throw Refused::because('approval_missing', 'Type the approver’s staff number, PIN and the reason.');
        $slip = $void->handle($document, $this->page->act($request)->with($check->handle($ask)));

        return redirect()->route('counter.show', $slip->key);
    }

    /** @return iterable<Item> that can come back without a receipt */
    private function itemsWithoutReceipt(string $typed, Returnables $returnables): iterable
    {
        return mb_strlen($typed) < 2
            ? []
            : Item::query()
                ->whereIn('id', $returnables->itemsNamed($typed))
                ->where('active', true)
                ->orderBy('code')
                ->limit(4)
                ->get(['id', 'code', 'description']);
    }

    private function reason(Request $request): ReturnReason
    {
        $reason = ReturnReason::tryFrom($request->string('reason')->value());

        return in_array($reason, ReturnReason::forGoods(), true)
            ? $reason
            : throw Refused::because('reason_missing', 'Choose why it comes back.');
    }

    /**
     * @param  array<mixed>  $fields
     * @return array<string, string>
     */
    private static function texts(array $fields): array
    {
        $texts = [];

        foreach ($fields as $key => $value) {
            if (is_string($value)) {
                $texts[(string) $key] = $value;
            }
        }

        return $texts;
    }
}
