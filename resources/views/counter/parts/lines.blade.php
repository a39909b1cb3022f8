@use('Elmstone\Catalogue\Unit')
@use('Elmstone\Core\Pricing\PriceRule')
@use('Elmstone\Counter\Slip\Reductions')
@use('Elmstone\Support\Show')
<div class="lines" id="lines" data-part tabindex="-1">
    @if($slip->lines->isEmpty() && $reckoned->back !== null)
        @unless($slip->isDone() || $slip->void_of_id !== null)
        <p class="empty small">Does something else go out? Scan it: only the difference is settled.</p>@endunless
    @elseif($slip->lines->isEmpty() && $slip->handsOver())
        @unless($slip->isDone())<p class="empty small">Does something else go out? Scan it.</p>@endunless
    @elseif($slip->lines->isEmpty())
        <p class="empty">
        Nothing yet. Scan the first thing, or type its code or part of its name: <code>4 x elb*22</code> finds elbows
            and takes four.</p>
    @else
        <table class="slip-lines">
            <thead><tr><th class="figure qty">Qty</th><th>
            @if($reckoned->back !== null)<span class="direction out">→ Going out</span>@else Item @endif</th>
            <th class="figure each">Each</th><th class="figure off">Off</th><th class="tx">Tax</th>
            <th class="figure net">Net</th></tr></thead>
            <tbody>
            @foreach($slip->lines as $line)
                @if($drawn->isSame($line))<tr id="l{{ $line->id }}" data-same></tr>@continue @endif
                @php
                    $reckoned_line = $reckoned->line($line);
                    $at = "line.{$line->id}";
                    $save = route('counter.line', [$slip->key, $line->id]);
                    $asks = $complaint->within("{$at}.") && $complaint->isApprovable();
                    $unit = Unit::from($line->unit);
                    $stock = $line->item_id === null ? null : $available->get($line->item_id);
                    $off = Reductions::written($reckoned_line->line->discount);
                    $locked = $slip->isDone();
                @endphp
                <tr id="l{{ $line->id }}" data-digest="{{ $drawn->mark($line) }}" data-item="{{ $line->item_id }}"
                    @class(['line', 'complained' => $complaint->within($at), 'fresh' => $fresh === $line->id])>
                    <td class="figure">
                        @if($locked)<span class="fixed">{{ Show::decimal($line->quantity) }}</span>@else
                        <input class="cell first {{ $complaint->on("{$at}.quantity") ? 'is-refused' : '' }}"
                            {{ $complaint->holds("{$at}.quantity", Show::decimal($line->quantity)) }}
                            id="q{{ $line->id }}" name="quantity" inputmode="decimal" autocomplete="off"
                                aria-label="Quantity of {{ $line->description }}" data-save="{{ $save }}"
                                    value="{{ $complaint->typedOr("{$at}.quantity",
                                        Show::decimal($line->quantity)) }}">@endif
                    </td>
                    <td class="words">
                        {{ $line->description }} <span class="code">{{ $line->code }}</span>
                        @if($unit->mark() !== '')<div class="under">by the {{ $unit->value }}</div>@endif
                        @if($line->price_per > 1)<div class="under">priced per {{ $line->price_per }}</div>@endif
                        @if($line->price_rule !== PriceRule::ListPrice && $line->item_id !== null)
                            <div class="under">{{ $line->price_rule->label() }}{{ $line->price_source === '' ? ''
                                : ($line->price_rule === PriceRule::Contract ? " {$line->price_source}"
                                    : " “{$line->price_source}”") }} · list {{ Show::price($line->list_price) }}</div>
                        @endif
                        @if($line->note !== '')<div class="under">“{{ $line->note }}”</div>@endif
                        @if($line->soldBy !== '')<div class="under">sold by {{ $line->soldBy }}</div>@endif
                        @if($locked && $line->serials !== null)
                        <div class="under">serial no. {{ implode(', ', $line->serials) }}</div>@endif
                        @unless($locked)
                            @if(($line->item->clerk_words ?? '') !== '')<div
                                class="under clerk-words">{{ $line->item->clerk_words }}</div>@endif
                            @foreach($drawn->offered($line) as $item)@if($loop->first)<div
                                class="under">goes with it: @endif<button type="button" class="link-act small"
                                    data-again="{{ $item->id }}">{{ $item->description }} @if($loop->first)<kbd>Alt G
                                    </kbd>@endif</button>@if($loop->last)</div>@else, @endif @endforeach
                            @if($line->isOffSale())
                            <div class="complaint">Taken off sale. Remove it to post the rest.</div>@endif
                            @if($line->listPriceMoved())
                            <div class="under ochre">
                            list price is now {{ Show::price($line->item->list_price) }}; this slip keeps its price
                            </div>@endif
                            @if($stock !== null && $stock->available()->isLessThan($line->quantity->value))
                            <div class="under ochre">
                            only {{ Show::decimal($stock->available()) }} here by the books
                                @foreach($setAside[$line->item_id] ?? [] as $for)· {{
                                    Show::decimal($for->quantity) }} set aside for {{ $for->name }} ({{
                                    $for->label }}) @endforeach</div>@endif
                            @includeWhen(! $asks && $reckoned->needs->isAsked($at), 'counter.parts.needs',
                                ['place' => $at])
                            @includeWhen($reckoned->needs->isAsked("{$at}.committed"), 'counter.parts.needs',
                                ['place' => "{$at}.committed"])
                            @if($line->item?->has_serials)
                                <div class="serials">
                                <label for="sn{{ $line->id }}">Serial no.</label><input
                                    class="form-control form-control-sm {{ $complaint->on("{$at}.serials")
                                        ? 'is-refused' : '' }}" id="sn{{ $line->id }}" name="serials" data-takes-scan
                                        {{ $complaint->holds("{$at}.serials", implode(', ', $line->serials ?? [])) }}
                                            autocomplete="off"
                                                placeholder="{{ Show::decimal($line->quantity) === '1' ? 'scan or type'
                                                    : Show::decimal($line->quantity).' of them, parted by commas' }}"
                                                        data-save="{{ $save }}"
                                                            value="{{ $complaint->typedOr("{$at}.serials",
                                                                implode(', ', $line->serials ?? [])) }}"></div>
                            @endif
                            <div class="on-focus">
                                <input class="form-control form-control-sm w-auto flex-fill" id="n{{ $line->id }}"
                                    name="note" maxlength="255" placeholder="note on the invoice"
                                        aria-label="Note on {{ $line->description }}" data-save="{{ $save }}"
                                            value="{{ $line->note }}">
                                <input class="form-control form-control-sm seller" id="s{{ $line->id }}" name="seller"
                                    maxlength="80" autocomplete="off" placeholder="sold by"
                                        aria-label="Who sold {{ $line->description }}, by staff number"
                                        title="201, or 201 60%, 301 40%"
                                            data-save="{{ $save }}"
                                            {{ $complaint->holds("{$at}.seller", $line->soldByText) }}
                                            value="{{ $complaint->typedOr("{$at}.seller",
                                                $line->soldByText) }}">
                                @if($line->item_id !== null)<button type="button" class="link-act"
                                    data-looks="item={{ $line->item_id }}">Look <kbd>Space</kbd></button>@endif
                                <button type="button" class="link-act"
                                    data-remove="{{ route('counter.line.remove',
                                        [$slip->key, $line->id]) }}">Remove <kbd>Alt X</kbd></button>
                            </div>
                            @if($complaint->within($at))
                                <p class="complaint" role="alert">{{ $complaint->message() }}</p>
                                @if($asks)
                                    @include('counter.parts.approve',
                                        ['action' => $save,
                                            'held' => [last(explode('.', $complaint->field())) =>
                                                $complaint->typedOr($complaint->field(), '')], 'id' => "a{$line->id}"])
                                @endif
                            @endif
                        @endunless
                    </td>
                    <td class="figure">
                        @if($locked)<x-price :of="$line->unit_price" class="fixed"/>@else
                        <input class="cell to-{{ Show::places($line->unit_price) }} {{
                            $complaint->on("{$at}.price") ? 'is-refused' : '' }}"
                            {{ $complaint->holds("{$at}.price", Show::price($line->unit_price)) }}
                            id="p{{ $line->id }}" name="price" inputmode="decimal" autocomplete="off"
                                aria-label="Price of {{ $line->description }}" data-save="{{ $save }}"
                                    value="{{ $complaint->typedOr("{$at}.price",
                                        Show::price($line->unit_price)) }}">@endif
                    </td>
                    <td class="figure">
                        @if($locked)<span class="fixed">{{ $off }}</span>@elseif(! $line->may_discount)<span
                            class="soft fixed">net</span>@else
                        <input class="cell {{ $complaint->on("{$at}.discount") ? 'is-refused' : '' }}"
                            {{ $complaint->holds("{$at}.discount", $off) }}
                            id="d{{ $line->id }}" name="discount" autocomplete="off"
                                aria-label="Discount on {{ $line->description }}, such as 5 % or 2.00 off"
                                    data-save="{{ $save }}"
                                        value="{{ $complaint->typedOr("{$at}.discount", $off) }}">@endif
                    </td>
                    <td class="tax-letter">{{ $letters[$line->tax_class] ?? '' }}</td>
                    <td class="figure">{{
                        Show::money($reckoned_line->gross->minus($reckoned_line->lineDiscount)) }}</td>
                </tr>
            @endforeach
            </tbody>
        </table>
    @endif
</div>
