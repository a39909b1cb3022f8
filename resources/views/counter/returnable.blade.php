@use('Elmstone\Support\Show')
@if($lines === [] && $typed === '' && $customer === '')
    <p class="soft small mb-1 mt-1">Scan the receipt. Without one: type the customer’s name, or what it was.</p>
@elseif($lines === [])
    <p class="ochre small mb-1 mt-1">
    Nothing that was sold fits “{{ $typed }}”{{ $customer === '' ? '' : " for {$customer}" }}.</p>
@else
    <input type="hidden" name="found_by" value="{{ $typed }}">
    <div class="returnable">
    <table class="ruled small">
        <thead><tr><th>Sold</th><th>Item</th><th class="figure">Bought</th><th class="figure">Can come back</th>
        <th class="figure">Gives back each</th><th class="figure">Comes back</th></tr></thead>
        <tbody>
        @foreach($lines as $i => $line)
            @php($isFirst = $i === 0 || $lines[$i - 1]->label !== $line->label)
            @php($hasMore = ($lines[$i + 1]->label ?? '') === $line->label)
            <tr @class(['soft' => $line->left === '0', 'again' => ! $isFirst])>
                <td class="sold">@if($isFirst)<span class="code">{{ $line->label }}</span>
                <br>{{ Show::date($line->day) }}@if($line->customer !== '' && $customer === '')
                <br>{{ $line->customer }}@endif @if($hasMore)<br>
                <button type="button" class="link-act"
                    data-all-of="{{ $line->label }}">All of it</button>@endif @endif</td>
                <td>{{ $line->description }} <span class="code">{{ $line->code }}</span>
                    @if($line->left !== '0' && $line->outside !== '')
                    <div class="ochre">{{ $line->outside }}: needs approval</div>
                    @elseif($line->left !== '0' && str_contains($line->policy, 'fee'))
                    <div class="soft">{{ $line->policy }}</div>@endif
                    @if($line->serials !== [])<div class="soft">serial no. {{ implode(', ', $line->serials) }}</div>
                    @endif</td>
                <td class="figure">{{ $line->bought }}</td>
                <td class="figure">{{ $line->left === '0' ? 'all came back' : $line->left }}</td>
                <td class="figure">{{ $line->left === '0' ? '' : Show::money($line->each) }}</td>
                <td class="figure comes">
                @if($line->left !== '0')<input class="back-quantity" name="back[{{ $line->origin->key() }}]"
                    id="back-{{ $line->origin->documentId }}-{{ $line->origin->position }}" inputmode="decimal"
                        autocomplete="off" placeholder="0" aria-label="How many of {{ $line->description }} come back"
                            data-left="{{ $line->left }}" data-of="{{ $line->label }}">@endif</td>
            </tr>
        @endforeach
        </tbody>
    </table>
    </div>
    <div class="d-flex justify-content-between align-items-baseline mt-1">
    <span class="small soft">{{ count($lines) === $most
        ? "The newest {$most}. Type part of the item to see older ones."
            : 'At what was paid, discounts and tax in it.' }}</span><button class="quiet-act"
                id="back-take">Bring back <kbd>↵</kbd></button></div>
@endif
@foreach($items as $item)
    @if($loop->first)
    <p class="small soft mt-1 mb-0">
    Without a receipt, at the lowest price of late, to store credit or a gift card:@endif
    <button type="button" class="link-act" data-blind="{{ $item->id }}"
        data-url="{{ route('counter.back.blind', $slip) }}"><span
            class="code">{{ $item->code }}</span> {{ $item->description }}</button>{{ $loop->last ? '' : ' ·' }}
    @if($loop->last)</p>@endif
@endforeach
