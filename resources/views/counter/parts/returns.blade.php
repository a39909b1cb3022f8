@use('Elmstone\Books\GoodsTo')
@use('Elmstone\Support\Show')
@use('Elmstone\Returns\ReturnReason')
<div class="coming-back" id="returns" data-part>
    @if($reckoned->back !== null)
        @php $back = $reckoned->back; $locked = $slip->isDone() || $slip->void_of_id !== null; @endphp
        <table class="slip-lines back">
            <thead><tr><th class="figure qty">Qty</th><th><span class="direction back">← Coming back</span></th>
            <th>Why</th><th>Goods go</th><th class="figure net">Gives back</th></tr></thead>
            <tbody>
            @foreach($slip->returns as $line)
                @php
                    $figures = $back->line($line);
                    $at = "back.{$line->id}";
                    $save = route('counter.back.line', [$slip->key, $line->id]);
                    $refused = $locked ? null : $back->refused($line);
                    $original = $slip->originals[$line->origin_document_id ?? 0] ?? null;
                @endphp
                <tr @class(['line', 'complained' => $complaint->within("{$at}") || $refused !== null])>
                    <td class="figure">
                    @if($locked)<span class="fixed">{{ Show::decimal($line->quantity) }}</span>@else<input
                        class="cell first {{ $refused !== null || $complaint->on($at) ? 'is-refused' : '' }}"
                            id="bq{{ $line->id }}" name="quantity" inputmode="decimal" autocomplete="off"
                                aria-label="How many of {{ $line->description }} come back" data-save="{{ $save }}"
                                    {{ $complaint->holds($at, Show::decimal($line->quantity)) }}
                                    value="{{ $complaint->typedOr($at, Show::decimal($line->quantity)) }}">@endif</td>
                    <td class="words">{{ $line->description }} <span class="code">{{ $line->code }}</span>
                        @if($original !== null)
                        <div class="under">of <a
                            href="{{ route('documents.show',
                                $original) }}">{{ $original->label }}</a>, {{ Show::date($original->business_date) }},
                                    as paid{{ $line->note === '' ? '' : ", sold to {$line->note}" }}</div>
                        @else<div class="under">{{ $line->note }}, {{ Show::price($line->unit_price) }} each</div>@endif
                        @if($refused !== null)<p class="complaint" role="alert">{{ $refused->getMessage() }}</p>@endif
                        @unless($slip->isDone())@foreach(['', '.serials',
                            '.fee'] as $of)@include('counter.parts.needs', ['place' => $at.$of])@endforeach @endunless
                        @if($locked && $line->serials !== null)
                        <div class="under">serial no. {{ implode(', ', $line->serials) }}</div>
                        @elseif(! $locked && $line->item?->has_serials)<div class="serials">
                        <label for="bs{{ $line->id }}">Serial no.</label><input class="form-control form-control-sm"
                            id="bs{{ $line->id }}" name="serials" data-takes-scan autocomplete="off"
                                placeholder="scan or type"
                                data-save="{{ $save }}" value="{{ implode(', ', $line->serials ?? []) }}"></div>@endif
                        @if($complaint->on($at))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
                        @unless($locked)<div class="on-focus">
                        <button type="button" class="link-act"
                            data-remove="{{ route('counter.back.remove',
                                [$slip->key, $line->id]) }}">Not this one <kbd>Alt X</kbd></button>
                            @if($back->under->asksFee($line) && ! $line->fee_waived)
                            <button type="button" class="link-act"
                                data-toggles="waive{{ $line->id }}">Let the fee off</button>@endif</div>
                            @if($back->under->asksFee($line) && ! $line->fee_waived)
                            <div id="waive{{ $line->id }}" @panel @unless($complaint->on("{$at}.fee")) hidden
                                @endunless>@include('counter.parts.approve',
                                    ['action' => route('counter.back.waive', [$slip->key, $line->id]),
                                        'held' => ['waive' => '1'], 'id' => "bw{$line->id}",
                                            'quiet' => true])@if($complaint->on("{$at}.fee"))
                                            <p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
                                            </div>
                            @elseif($line->fee_waived)
                            <div class="under">fee let off <button type="button" class="link-act"
                                data-sends="{{ route('counter.back.waive', [$slip->key, $line->id]) }}"
                                    data-field="waive" value="0">keep it after all</button></div>@endif
                        @endunless
                    </td>
                    <td>@if($locked){{ $line->reason->words() }}@else
                    <select class="cell" name="reason" id="br{{ $line->id }}"
                        aria-label="Why {{ $line->description }} comes back" data-save="{{ $save }}">
                        @unless(in_array($line->reason, ReturnReason::forGoods(), true))
                        <option value="{{ $line->reason->value }}" selected>{{ $line->reason->words() }}</option>
                        @endunless
                        @foreach(ReturnReason::forGoods() as $reason)
                        <option value="{{ $reason->value }}"
                            @selected($line->reason === $reason)>{{ $reason->words() }}</option>@endforeach</select>
                            @endif</td>
                    <td>@if($locked){{ $line->goods_to->words() }}@else
                    <select class="cell" name="goods_to" id="bg{{ $line->id }}"
                        aria-label="Where {{ $line->description }} goes" data-save="{{ $save }}">
                        @foreach([GoodsTo::Stock, GoodsTo::WrittenOff, GoodsTo::Supplier] as $to)
                        <option value="{{ $to->value }}" @selected($line->goods_to === $to)>{{ $to->words() }}</option>
                        @endforeach</select>@endif</td>
                    <td class="figure">{{ $figures->total }}</td>
                </tr>
            @endforeach
            @if($back->feeLine() !== null)
                <tr class="line"><td></td><td class="words">Restocking fee<div class="under">kept by the shop</div></td>
                <td></td><td></td><td class="figure">−{{ $back->feeLine()->total }}</td></tr>
            @endif
            </tbody>
        </table>
    @endif
    @if($slip->cardsSold() !== [])
        <table class="slip-lines"><thead><tr><th>Gift cards</th><th class="figure net">Worth</th></tr></thead><tbody>
        @foreach($slip->cardsSold() as $place => $card)
            <tr class="line">
            <td class="words">{{ $card->code !== '' && ! $card->isNew ? 'Top up' : 'New card' }} <span
                class="code">{{ $card->code === '' ? 'number drawn when it is posted' : $card->words() }}</span>
                @unless($slip->isDone())<div>
                <button type="button" class="link-act"
                    data-sends="{{ route('counter.gift-card.drop', [$slip->key, $place]) }}">Not this one</button></div>
                    @include('counter.parts.needs', ['place' => "gift-card.{$place}"])@endunless</td>
                    <td class="figure">{{ $card->amount }}</td></tr>
        @endforeach
        </tbody></table>
    @endif
</div>
