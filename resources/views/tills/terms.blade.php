@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'How drawers are counted')
@section('main')
<div class="page">
    <div class="page-head"><h1>How drawers are counted</h1></div>
    @include('design.messages')
    <form class="filters" method="post" action="{{ route('till.terms.save') }}" autocomplete="off">@csrf
        <label class="align-self-center"><input class="form-check-input" type="checkbox" name="blind_counts" value="1"
            @checked($shop->blind_counts)> Clerks count without seeing what is expected</label>
        @foreach(['note_over' => 'Off by more wants a note',
            'witness_over' => 'Off by more, two people sign'] as $field => $words)
        <div><label for="{{ $field }}">{{ $words }}</label><input
            class="form-control w-6 text-end @error($field) is-refused @enderror" id="{{ $field }}"
                name="{{ $field }}" inputmode="decimal" value="{{ old($field, Show::money($shop->$field)) }}">
                @include('design.complaint', ['field' => $field])</div>@endforeach
        <button class="quiet-act">Keep</button>
    </form>
    <h2 class="mt-4">Whose drawer it is</h2>
    <table class="ruled w-auto"><tbody>@foreach($tills as $till)<tr>
        <td>{{ $till->name }}, {{ $till->location->town }}</td>
        <td>{{ $till->drawer_per_person ? 'a drawer for each person; it is handed over with a PIN'
            : 'one drawer for whoever is at it' }}</td>
        <td><form method="post" action="{{ route('till.terms.drawer', $till) }}">@csrf<input type="hidden"
            name="per_person" value="{{ $till->drawer_per_person ? 0 : 1 }}"><button class="link-act">{{
                $till->drawer_per_person ? 'One drawer for all' : 'A drawer for each person' }}</button></form></td>
        </tr>@endforeach</tbody></table>
</div>
@endsection
