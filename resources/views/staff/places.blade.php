@extends('layout')
@section('title', 'Where '.$person->name.' works')
@section('main')
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('staff') }}">People</a></p>
    <div class="page-head"><h1>Where {{ $person->name }} works</h1>
        <span class="soft">{{ $person->role->label() }}, staff number {{ $person->number }}</span></div>
    @include('design.messages')
    <p class="soft">With nothing chosen they work at every location as {{ strtolower($person->role->label()) }}. With a
        location chosen they sign in only there, may there what that role may, and see nothing of other locations.</p>
    <form method="post" action="{{ route('staff.places', $person) }}">@csrf
        <table class="ruled align-middle w-auto"><thead><tr><th>Location</th><th>Works there as</th></tr></thead><tbody>
            @foreach($locations as $location)<tr><td><label for="at-{{ $location->id }}">{{ $location->name }}</label>
                </td><td><select class="form-select w-auto" id="at-{{ $location->id }}"
                    name="at[{{ $location->id }}]" @if($loop->first) data-focus @endif>
                    <option value="">–</option>
                    @foreach($roles as $role)<option value="{{ $role->value }}"
                        @selected(($places[$location->id] ?? null) === $role)>{{ $role->label() }}</option>@endforeach
                    </select></td></tr>@endforeach
        </tbody></table>
        <button class="main-act narrow mt-3">Keep</button>
        <p class="soft small mt-2">Whatever they are signed in with is over at once.</p>
    </form>
</div>
@endsection
