"""Whose work runs when: changes in their turn, few pieces at once, and a worker that holds a drawing is waited for."""

import asyncio
import threading
from random import Random
from typing import Any
from uuid import uuid4

import httpx
import psycopg
import pytest
from sqlalchemy.exc import OperationalError

from kentrograph.core.book.book import Book
from kentrograph.core.language.script import book_of, read_script
from kentrograph.server import work
from kentrograph.store.cache import LEAST, OF_ONE, BookCache
from kentrograph.store.errors import Busy

from ..conftest import Server
from .support import act, book, texts, write


def test_changes_of_one_drawing_come_in_their_turn_and_others_do_not_wait() -> None:
    async def all_of_it() -> tuple[list[int], bool]:
        queue, one, other = work.Work(), uuid4(), uuid4()
        order: list[int] = []

        async def change(number: int) -> None:
            async with queue.turn(one):
                await asyncio.sleep(0)
                order.append(number)

        async with queue.turn(one):
            several = [asyncio.create_task(change(n)) for n in range(20)]
            await asyncio.sleep(0)
            async with queue.turn(other):
                free = order == []
        await asyncio.gather(*several)
        return order, free

    assert asyncio.run(all_of_it()) == (list(range(20)), True)


def test_one_too_many_is_refused_and_the_queue_goes_on() -> None:
    async def all_of_it() -> int:
        queue, id = work.Work(), uuid4()
        done = 0

        async def change() -> None:
            nonlocal done
            async with queue.turn(id):
                await asyncio.sleep(0)
                done += 1

        waiting = [asyncio.create_task(change()) for _ in range(work.MOST_WAITING)]
        await asyncio.sleep(0)
        with pytest.raises(Busy):
            await change()
        await asyncio.gather(*waiting)
        await change()
        return done

    assert asyncio.run(all_of_it()) == work.MOST_WAITING + 1


def test_of_one_person_so_many_pieces_run_at_once_and_of_all_a_few_more() -> None:
    async def all_of_it(people: int) -> int:
        queue, lock, now, most = work.Work(), threading.Lock(), 0, 0
        going_on = threading.Event()

        def piece() -> None:
            nonlocal now, most
            with lock:
                now += 1
                most = max(most, now)
            going_on.wait(0.05)
            with lock:
                now -= 1

        await asyncio.gather(*(queue.run(f"person {n % people}", piece) for n in range(12)))
        return most

    assert asyncio.run(all_of_it(1)) == work.OF_ONE
    assert asyncio.run(all_of_it(6)) == work.AT_ONCE


def test_a_drawing_that_another_worker_holds_is_waited_for(monkeypatch: pytest.MonkeyPatch) -> None:
    held = OperationalError("", None, psycopg.errors.LockNotAvailable())
    tries = 0

    async def attempt() -> str:
        nonlocal tries
        tries += 1
        if tries < 4:
            raise held
        return "done"

    assert asyncio.run(work.patiently(attempt)) == "done"
    monkeypatch.setattr(work, "PATIENCE", 0.0)
    tries = -10
    with pytest.raises(Busy):
        asyncio.run(work.patiently(attempt))

    async def broken() -> str:
        raise OperationalError("", None, psycopg.errors.AdminShutdown())

    with pytest.raises(OperationalError):
        asyncio.run(work.patiently(broken))


def test_a_drawing_that_changes_quickly_puts_no_other_out_of_the_cache() -> None:
    cache, others, quick = BookCache(most_steps=50 * LEAST), [uuid4() for _ in range(49)], uuid4()
    for id in others:
        cache.put(id, 0, Book.new())
    for revision in range(200):
        cache.put(quick, revision, Book.new())
    assert all(cache.get(id, 0) is not None for id in others)
    assert cache.nearest(quick, 500) == (199, cache.get(quick, 199))
    assert cache.get(quick, 199 - OF_ONE) is None


def test_large_drawings_put_out_those_that_were_not_asked_for_the_longest_and_the_newest_stays() -> None:
    large = book_of(read_script("point 1, 1\n" * 100))
    cache, ids = BookCache(most_steps=3 * (100 + LEAST)), [uuid4() for _ in range(4)]
    for id in ids[:3]:
        cache.put(id, 0, large)
    assert cache.get(ids[0], 0) is large
    cache.put(ids[3], 0, large)
    assert [cache.get(id, 0) is not None for id in ids] == [True, False, True, True]
    alone = BookCache(most_steps=1)
    alone.put(ids[0], 0, large)
    alone.put(ids[0], 1, large)
    assert alone.get(ids[0], 0) is alone.get(ids[0], 1) is large
    alone.put(ids[1], 0, large)
    assert (alone.get(ids[0], 1), alone.get(ids[1], 0)) == (None, large)


def test_two_workers_change_one_drawing_in_turns(
    database: str, server: Server, api: httpx.Client, drawing: dict[str, Any]
) -> None:
    """Each has books that the other has left behind: it follows the log onto them, or reads all steps where that is far."""
    other, dice, id = Server(database), Random(5), drawing["id"]
    other.start()
    try:
        with httpx.Client(base_url=other.url + "/api", timeout=20, verify=False) as there:
            write(api, id, "P1 = point 0, 0")
            write(there, id, "circle centre P1 radius 5")
            first = book(api, id)["steps"][0]["id"]
            for number in range(150):
                where = dice.choice([api, there]) if number < 60 else api
                match number % 3:
                    case 0:
                        act(where, id, do="mend", id=first, text=f"P1 = point {number}, 1").raise_for_status()
                    case 1:
                        write(where, id, f"point {number}, 2")
                    case _:
                        act(where, id, do="undo").raise_for_status()
            assert book(there, id) == book(api, id)
            write(there, id, "line from P1 to 3, 3")
            assert book(there, id) == book(api, id)
            assert texts(book(api, id))[-1] == "line from P1 to 3, 3"
    finally:
        other.stop()
