@use('Elmstone\Counter\Parts\Money\LayawayPayments')
@use('Elmstone\Support\Show')
@use('Elmstone\Layaways\LayawayState')
<div class="paid-on" id="layaways" data-part>
    @php $parts = $slip->layawayParts(); @endphp
    @if($parts !== [])
        <table class="slip-lines">
            <thead><tr><th>Layaway</th><th class="figure">Left to pay</th><th class="figure">At least</th>
            <th class="figure each">Pays now</th></tr></thead>
            <tbody>
            @foreach($parts as $part)
                @php
                    $layaway = $slip->layaway($part->layawayId);
                    $standing = $layaway->standing();
                    $at = "layaway.{$layaway->id}";
                    $route = fn (string $act): string => route("counter.layaway.{$act}", [$slip->key, $layaway]);
                    $refused = $slip->isDone() ? null : LayawayPayments::refused($slip, $part);
                    $isReady = $layaway->state === LayawayState::Ready;
                @endphp
                <tr @class(['line', 'complained' => $complaint->within($at)])>
                    <td class="words">
                        <a href="{{ route('layaways.show', $layaway) }}">{{ $layaway->label }}</a> {{ $layaway->lines()
                            ->first()?->description }}{{ $layaway->lines()->count() > 1
                                ? ' and '.($layaway->lines()->count() - 1).' more' : '' }}
                        @if($layaway->shelf !== '')<div class="under">stands on {{ $layaway->shelf }}</div>@endif
                        @if(! $slip->isDone() && $layaway->next_due !== null)
                        <div class="under {{ $layaway->isBehind($slip->day()) ? 'ochre' : '' }}">
                        next {{ $layaway->next_open }} due
                            {{ Show::date($layaway->next_due) }}{{ $layaway->isBehind($slip->day()) ? ', behind' : '' }}
                            </div>@endif
                        @if(! $slip->isDone() && LayawayPayments::paysOff($slip, $part))
                            <fieldset class="leaves">
                            <legend class="visually-hidden">Do the goods of {{ $layaway->label }} leave now?</legend>
                                <span>{{ $isReady ? 'Paid in full:'
                                    : 'Paid off:' }} <b>do the goods leave now?</b></span>
                                <label><input type="radio" class="form-check-input m-0" name="leaves{{ $layaway->id }}"
                                    id="leaves{{ $layaway->id }}-1" data-sends-value="{{ $route('leaves') }}"
                                        data-field="leaves" value="1" @checked($part->leaves === true)> yes</label>
                                @unless($isReady)<label><input type="radio" class="form-check-input m-0"
                                    name="leaves{{ $layaway->id }}" id="leaves{{ $layaway->id }}-0"
                                        data-sends-value="{{ $route('leaves') }}" data-field="leaves" value="0"
                                            @checked($part->leaves === false)> no, later</label>@endunless
                            </fieldset>
                        @elseif($slip->isDone())
                            <div class="under">{{ $part->leaves === true ? 'the goods left'
                                : ($layaway->state === LayawayState::Ready ? 'paid in full, to be collected' : '') }}
                                </div>
                        @endif
                        @if(! $slip->isDone() && $part->leaves === true)
                            @foreach($layaway->lines()->filter(fn ($line) =>
                                $line->item?->has_serials === true) as $line)
                                <div class="under d-flex gap-2 align-items-center mt-1">
                                <label for="lay{{ $layaway->id }}-{{ $line->position }}">Serial {{
                                    Show::decimal($line->quantity) === '1' ? 'number' : 'numbers'
                                }} of {{ $line->description }}</label>
                                    <input class="form-control" id="lay{{ $layaway->id }}-{{ $line->position }}"
                                        name="serials" data-takes-scan autocomplete="off"
                                            placeholder="scan or type the plate"
                                            data-save="{{ route('counter.layaway.serials',
                                                [$slip->key, $layaway, $line->position]) }}"
                                                    value="{{ $complaint->typedOr("{$at}.serials.{$line->position}",
                                                        implode(', ', $line->serials ?? [])) }}"></div>
                                @if($complaint->on("{$at}.serials.{$line->position}"))
                                <p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
                            @endforeach
                        @endif
                        @if($refused !== null && $refused->rule !== 'leaves_not_said')
                        <p class="complaint" role="alert">{{ $refused->getMessage() }}</p>@endif
                        @if($complaint->within($at) && $complaint->message() !== $refused?->getMessage())
                        <p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
                        @unless($slip->isDone())@include('counter.parts.needs',
                            ['place' => $at, 'quiet' => false])@endunless
                        @unless($slip->isDone())<div>
                        <button type="button" class="link-act small" data-sends="{{ $route('drop') }}">Not now</button>
                        </div>@endunless
                    </td>
                    <td class="figure">{{ Show::money($slip->isDone() ? $layaway->remaining()
                        : $standing->remaining) }}</td>
                    <td class="figure soft">{{ $slip->isDone() || $isReady ? ''
                        : Show::money($standing->minPayment) }}</td>
                    <td class="figure">
                    @if($slip->isDone() || $isReady)<span
                        class="fixed">{{ $part->amount }}</span>@else<input
                            class="cell first {{ $refused !== null && $refused->rule !== 'leaves_not_said'
                                ? 'is-refused' : '' }}" id="lay{{ $layaway->id }}" name="amount" inputmode="decimal"
                                    autocomplete="off" aria-label="Payment on {{ $layaway->label }}"
                                        data-save="{{ $route('amount') }}"
                                            value="{{ $complaint->typedOr($at,
                                                $part->amount->toString()) }}">@endif</td>
                </tr>
            @endforeach
            </tbody>
        </table>
    @endif
</div>
